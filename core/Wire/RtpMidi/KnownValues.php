<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\RtpMidi;

/**
 * What one end of a session has heard last of all that stays as it was set: controllers, program and bank, bend, pressure,
 * the song and its place. After a loss the journal says how these are; what is otherwise here is mended.
 */
final class KnownValues
{
    private const RESET_ALL_CONTROLLERS = 121;

    /** @var array<string, string> the last command, by what it is about */
    private array $last = [];
    private bool $runs = false;

    /** @param string $command a whole MIDI command */
    public function heard(string $command): void
    {
        $status = \ord($command[0] ?? "\0");
        $this->runs = match ($status) {
            0xFA, 0xFB => true,
            0xFC => false,
            default => $this->runs,
        };
        $key = self::key($command);
        if ($key !== '') {
            $this->last[$key] = $command;
        }
        if ($status >> 4 === 11 && \ord($command[1] ?? "\0") === self::RESET_ALL_CONTROLLERS) {
            $this->forget($status & 15);
        }
    }

    /**
     * @param list<string> $commands how things are by the journal
     *
     * @return list<string> those of them that are otherwise here; they count as heard
     */
    public function mend(array $commands): array
    {
        $mended = [];
        foreach ($commands as $command) {
            $isKnown = match (\ord($command[0])) {
                0xFA, 0xFB => $this->runs,
                0xFC => ! $this->runs,
                // The place changes with every clock: it is said again with what begins or ends there.
                0xF2 => false,
                default => ($this->last[self::key($command)] ?? '') === $command,
            };
            if (! $isKnown) {
                $mended[] = $command;
                $this->heard($command);
            }
        }
        // A place alone is nothing to mend.
        $moves = array_filter($mended, static fn(string $one): bool => \in_array(\ord($one[0]), [0xFA, 0xFB, 0xFC], true));
        $mended = $moves === []
            ? array_values(array_filter($mended, static fn(string $one): bool => \ord($one[0]) !== 0xF2))
            : $mended;

        return $mended;
    }

    public function clear(): void
    {
        $this->last = [];
        $this->runs = false;
    }

    private function forget(int $channel): void
    {
        foreach (array_keys($this->last) as $key) {
            if (preg_match("/^(b|e|d|a){$channel}( |$)/", $key) === 1) {
                unset($this->last[$key]);
            }
        }
    }

    /** @return string what a command is about: the same for commands of which only the last one counts; '' for others */
    private static function key(string $command): string
    {
        $status = \ord($command[0] ?? "\0");
        $channel = $status & 15;
        $first = \ord($command[1] ?? "\0");

        return match (true) {
            $status >> 4 === 11 => "b{$channel} {$first}",
            $status >> 4 === 10 => "a{$channel} {$first}",
            $status >> 4 === 12 => "c{$channel}",
            $status >> 4 === 13 => "d{$channel}",
            $status >> 4 === 14 => "e{$channel}",
            $status === 0xF3 => 'song',
            str_starts_with($command, "\xF0\x7F\x7F\x01\x01") => 'time',
            default => '',
        };
    }
}
