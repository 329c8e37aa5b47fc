<?php

declare(strict_types=1);

namespace App\Processes;

/** Keeps a few processes running together: what dies is started again, and all end with it. None of them can end another. */
final class Supervisor
{
    private const LOOK_MICROS = 20_000;
    private const GRACE_SECONDS = 3.0;

    /** @var array<string, Ward> */
    private array $wards = [];
    private bool $ending = false;

    /**
     * @param array<string, string> $environment
     * @param \Closure(string): void $print
     */
    public function __construct(private readonly array $environment, private readonly \Closure $print)
    {
    }

    /** @param list<string> $command */
    public function add(string $name, array $command, ?string $directory = null, bool $isQuiet = false): void
    {
        $this->wards[$name] = new Ward($name, $command, $directory ?? base_path(), $this->environment, $isQuiet);
    }

    public function start(): void
    {
        pcntl_async_signals(true);
        foreach ([SIGINT, SIGTERM, SIGHUP] as $signal) {
            pcntl_signal($signal, function (): void {
                $this->ending = true;
            });
        }
        $this->look();
    }

    /** Waits until something answers at a TCP port; gives up when told to end. */
    public function waitFor(string $host, int $port, float $seconds): bool
    {
        for ($until = microtime(true) + $seconds; microtime(true) < $until && ! $this->ending; usleep(self::LOOK_MICROS)) {
            $socket = @stream_socket_client("tcp://{$host}:{$port}", $code, $message, 1);
            if ($socket !== false) {
                fclose($socket);

                return true;
            }
            $this->look();
        }

        return false;
    }

    /** Until it is told to end. */
    public function run(): void
    {
        while (! $this->ending) {
            $this->look();
            usleep(self::LOOK_MICROS);
        }
        $this->end();
    }

    private function look(): void
    {
        foreach ($this->ending ? [] : $this->wards as $ward) {
            $said = $ward->said();
            if ($said !== '') {
                ($this->print)($said);
            }
            $news = $ward->look();
            if ($news !== '') {
                ($this->print)("{$news}\n");
            }
        }
    }

    private function end(): void
    {
        foreach ($this->wards as $ward) {
            $ward->signal(SIGTERM);
        }
        for ($until = microtime(true) + self::GRACE_SECONDS; microtime(true) < $until && $this->someAreThere(); usleep(
            self::LOOK_MICROS,
        )) {
            continue;
        }
        foreach ($this->wards as $ward) {
            $ward->signal(SIGKILL);
        }
    }

    private function someAreThere(): bool
    {
        foreach ($this->wards as $ward) {
            if ($ward->isThere()) {
                return true;
            }
        }

        return false;
    }
}
