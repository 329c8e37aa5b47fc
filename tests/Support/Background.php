<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

use Symfony\Component\Process\Process;

/** A program that runs beside a test and ends with it. */
final class Background
{
    /** How long an event is waited for, at least: it costs nothing where it comes, and a busy machine takes its time. */
    public const PATIENCE = 45.0;

    private Process $process;

    /**
     * @param list<string> $command
     * @param array<string, string> $environment
     */
    public function __construct(array $command, array $environment = [], ?string $directory = null)
    {
        $this->process = new Process($command, $directory ?? self::root(), $environment, null, null);
        $this->process->start();
    }

    public static function root(): string
    {
        return \dirname(__DIR__, 2);
    }

    /** Waits for an event, looking often; fails with what the program said. */
    public static function until(callable $happened, string $what, float $seconds = self::PATIENCE): mixed
    {
        $seconds = max(self::PATIENCE, $seconds);
        for ($end = microtime(true) + $seconds; microtime(true) < $end; usleep(10_000)) {
            $result = $happened();
            if ($result !== null && $result !== false) {
                return $result;
            }
        }

        throw new \RuntimeException("{$what} did not happen within {$seconds} s.");
    }

    public static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);

        return $port;
    }

    public function untilSaid(string $words, float $seconds = self::PATIENCE): void
    {
        try {
            self::until(fn(): bool => str_contains($this->output(), $words), "\"{$words}\"", $seconds);
        } catch (\RuntimeException $exception) {
            throw new \RuntimeException("{$exception->getMessage()} It said: {$this->output()}");
        }
    }

    public function output(): string
    {
        return $this->process->getOutput().$this->process->getErrorOutput();
    }

    public function pid(): int
    {
        return (int) $this->process->getPid();
    }

    public function isRunning(): bool
    {
        return $this->process->isRunning();
    }

    public function signal(int $signal): void
    {
        $this->process->signal($signal);
    }

    public function stop(): int
    {
        return (int) $this->process->stop(20, SIGKILL);
    }
}
