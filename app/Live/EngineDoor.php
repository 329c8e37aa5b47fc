<?php

declare(strict_types=1);

namespace App\Live;

/** The application's way to the running engine: its control socket. */
final readonly class EngineDoor
{
    private const PATIENCE_SECONDS = 15;
    private const CONNECT_SECONDS = 1;

    /** EAGAIN of connect(2): very many wait at the door at this moment. */
    private const FULL = 11;

    public function __construct(private string $path)
    {
    }

    /**
     * @param int $revision of the show: of two that arrive at once, the engine runs the newer one
     *
     * @return string|null null when the show is in force, otherwise why not
     */
    public function adopt(string $json, int $revision = 0): ?string
    {
        $socket = false;
        $code = self::FULL;
        for ($until = microtime(true) + self::CONNECT_SECONDS; $code === self::FULL && microtime(true) < $until; usleep($socket === false ? 10_000 : 0)) {
            $socket = @stream_socket_client("unix://{$this->path}", $code, $message, self::CONNECT_SECONDS);
        }
        if ($socket === false) {
            return 'The engine is not running: the change is stored and comes into force when it starts.';
        }
        stream_set_timeout($socket, self::PATIENCE_SECONDS);
        fwrite($socket, json_encode(['do' => 'adopt', 'document' => $json, 'revision' => $revision], JSON_THROW_ON_ERROR)."\n");
        $answer = json_decode((string) fgets($socket), true);
        fclose($socket);

        return ($answer['ok'] ?? false) === true
            ? null
            : 'The engine did not take the change: '.($answer['error'] ?? 'it gave no answer');
    }
}
