<?php

declare(strict_types=1);

namespace App\Live;

/** The application's way to the running engine: its control socket. */
final readonly class EngineDoor
{
    private const PATIENCE_SECONDS = 15;
    private const STATUS_SECONDS = 2;
    private const CONNECT_SECONDS = 1;
    private const AT_ONCE = 65_536;

    /** EAGAIN of connect(2): very many wait at the door at this moment. */
    private const FULL = 11;

    public function __construct(private string $path)
    {
    }

    /**
     * The engine takes on a whole show.
     *
     * @param list<string> $lines the show, a line of JSON each: its head, then its pieces
     * @param int $revision of the show: of two that arrive at once, the engine runs the newer one
     *
     * @return string|null null when the show is in force, otherwise why not
     */
    public function adopt(array $lines, int $revision): ?string
    {
        return self::words($this->ask(['do' => 'adopt', 'lines' => \count($lines), 'revision' => $revision], $lines));
    }

    /**
     * The engine takes on what an edit has changed.
     *
     * @param string $update as JSON
     * @param int $base the revision before it
     *
     * @return string|false|null null when it is in force, false where the engine needs the whole show, otherwise why not
     */
    public function update(string $update, int $base, int $revision): string|false|null
    {
        $answer = $this->ask(['do' => 'update', 'base' => $base, 'revision' => $revision], [$update]);

        return ($answer['needs'] ?? null) === 'whole' ? false : self::words($answer);
    }

    /**
     * What somebody may has changed, or they have logged out: the pages that they have open are closed. Where no engine runs, none are.
     *
     * @param string $user '' for nobody
     * @param string $visit '' for none
     */
    public function expel(string $user, string $visit = ''): void
    {
        $this->ask(['do' => 'expel', 'user' => $user, 'visit' => $visit], []);
    }

    /**
     * @param string $by who locks all but the live page and surfaces; '' unlocks it. Where no engine runs, it is told at its
     * start.
     */
    public function showMode(string $by): void
    {
        $this->ask(['do' => 'show-mode', 'by' => $by], [], self::STATUS_SECONDS);
    }

    /** @return array<string, mixed>|null how the engine is (Vitals); null where none runs, empty where it does not answer */
    public function status(): ?array
    {
        $answer = $this->ask(['do' => 'status'], [], self::STATUS_SECONDS);
        $status = $answer['status'] ?? [];

        return $answer === null ? null : (\is_array($status) ? $status : []);
    }

    /**
     * @param array<string, mixed> $command
     * @param list<string> $lines that belong to it
     *
     * @return array<string, mixed>|null null when nobody is there
     */
    private function ask(array $command, array $lines, int $patience = self::PATIENCE_SECONDS): ?array
    {
        $socket = $this->open();
        if ($socket === null) {
            return null;
        }
        stream_set_timeout($socket, $patience);
        $text = implode("\n", [json_encode($command, JSON_THROW_ON_ERROR), ...$lines])."\n";
        for ($sent = 0; $sent < \strlen($text); $sent += $written) {
            $written = (int) @fwrite($socket, substr($text, $sent, self::AT_ONCE));
            if ($written === 0) {
                break;
            }
        }
        $answer = json_decode((string) fgets($socket), true);
        fclose($socket);

        return \is_array($answer) ? $answer : [];
    }

    /** @return resource|null */
    private function open()
    {
        $code = self::FULL;
        for ($until = microtime(true) + self::CONNECT_SECONDS; $code === self::FULL && microtime(true) < $until; usleep(10_000)) {
            $socket = @stream_socket_client("unix://{$this->path}", $code, $message, self::CONNECT_SECONDS);
            if ($socket !== false) {
                return $socket;
            }
        }

        return null;
    }

    /** @param array<string, mixed>|null $answer */
    private static function words(?array $answer): ?string
    {
        return match (true) {
            $answer === null => 'The engine is not running: the change is stored and comes into force when it starts.',
            ($answer['ok'] ?? false) === true => null,
            default => 'The engine did not take the change: '.($answer['error'] ?? 'it gave no answer'),
        };
    }
}
