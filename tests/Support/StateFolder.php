<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

use Symfony\Component\Process\Process;

/** A data folder of a test's own, and engines that keep their state there. */
final class StateFolder
{
    public readonly string $path;

    public function __construct()
    {
        $this->path = sys_get_temp_dir().'/junction-state-'.bin2hex(random_bytes(6));
        mkdir($this->path);
    }

    /**
     * @param array<string, mixed> $document
     * @param list<string> $options
     * @param list<string> $before words before the command
     */
    public function engine(array $document, array $options = [], bool $wait = true, array $before = []): EngineProcess
    {
        return new EngineProcess($document, ['--for=170', "--state={$this->path}", ...$options], $before, $wait);
    }

    /** Waits until the state that is kept says something. */
    public function untilKept(string $words): void
    {
        Background::until(
            fn(): bool => str_contains((string) @file_get_contents("{$this->path}/engine-state"), $words),
            'The state being kept',
        );
    }

    /** @return array<string, string> what an application on this folder needs to know */
    public function environment(): array
    {
        return [
            'JUNCTION_DATA' => $this->path,
            'APP_KEY' => 'base64:'.base64_encode(str_repeat('k', 32)),
            'APP_ENV' => 'production',
            'CACHE_STORE' => 'array',
            'SESSION_DRIVER' => 'array',
        ];
    }

    /** A database with the demo show. */
    public function database(): \PDO
    {
        touch("{$this->path}/shows.sqlite");
        foreach ([['migrate', '--force'], ['db:seed', '--force']] as $words) {
            (new Process([PHP_BINARY, 'artisan', ...$words], Background::root(), $this->environment(), null, 120))->mustRun();
        }

        return new \PDO("sqlite:{$this->path}/shows.sqlite");
    }

    /** @param array<string, mixed> $command */
    public function tell(array $command): array
    {
        // Where very many wait at the door it is full for a moment.
        $socket = Background::until(fn() => @stream_socket_client("unix://{$this->path}/engine.sock"), 'The control socket letting us in');
        fwrite($socket, json_encode($command, JSON_THROW_ON_ERROR)."\n");
        $answer = json_decode((string) fgets($socket), true, flags: JSON_THROW_ON_ERROR);
        fclose($socket);

        return $answer;
    }

    public function delete(): void
    {
        (new Process(['rm', '-rf', $this->path]))->mustRun();
    }
}
