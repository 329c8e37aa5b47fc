<?php

declare(strict_types=1);

namespace App\Processes;

use Symfony\Component\Process\Process;

/** Keeps a few processes running together: what dies is started again at once, and all end with it. */
final class Supervisor
{
    private const LOOK_MICROS = 20_000;
    private const GRACE_SECONDS = 3.0;

    /** A process that dies this often within a minute is broken, and starting it again helps nobody. */
    private const MOST_DEATHS = 20;

    /** @var array<string, Process> */
    private array $processes = [];

    /** @var array<string, list<float>> times of death */
    private array $deaths = [];
    private bool $ending = false;

    /**
     * @param array<string, string> $environment
     * @param \Closure(string): void $print
     */
    public function __construct(private readonly array $environment, private readonly \Closure $print)
    {
    }

    /**
     * Each runs in a process group of its own (setsid), so that what it has started itself ends with it.
     *
     * @param list<string> $command
     */
    public function add(string $name, array $command, ?string $directory = null): void
    {
        $this->processes[$name] = new Process(['setsid', ...$command], $directory ?? base_path(), $this->environment, null, null);
        $this->deaths[$name] = [];
    }

    public function start(): void
    {
        pcntl_async_signals(true);
        foreach ([SIGINT, SIGTERM, SIGHUP] as $signal) {
            pcntl_signal($signal, function (): void {
                $this->ending = true;
            });
        }
        foreach (array_keys($this->processes) as $name) {
            $this->launch($name);
        }
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

    /** @return int 0 when it was told to end, 1 when a process could not be kept alive */
    public function run(): int
    {
        $sound = true;
        while (! $this->ending && $sound) {
            $sound = $this->look();
            usleep(self::LOOK_MICROS);
        }
        $this->end();

        return $sound ? 0 : 1;
    }

    private function look(): bool
    {
        foreach ($this->processes as $name => $process) {
            $this->pass($name, $process);
            if ($process->isRunning() || $this->ending) {
                continue;
            }
            $now = microtime(true);
            $this->deaths[$name] = [...array_filter($this->deaths[$name], static fn(float $at): bool => $now - $at < 60), $now];
            if (\count($this->deaths[$name]) > self::MOST_DEATHS) {
                ($this->print)("{$name} died ".self::MOST_DEATHS." times in a minute: giving up.\n");

                return false;
            }
            ($this->print)("{$name} ended with {$process->getExitCodeText()}; it is started again.\n");
            $this->launch($name);
        }

        return true;
    }

    private function launch(string $name): void
    {
        $this->processes[$name]->start();
    }

    private function pass(string $name, Process $process): void
    {
        $output = $process->getIncrementalOutput().($name === 'web' ? '' : $process->getIncrementalErrorOutput());
        if ($name === 'web') {
            $process->clearErrorOutput();
        }
        if ($output !== '' && $name !== 'web') {
            ($this->print)(preg_replace('/^(?=.)/m', "{$name}: ", $output) ?? $output);
        }
    }

    private function end(): void
    {
        $groups = array_filter(array_map(static fn(Process $process): ?int => $process->getPid(), $this->processes));
        $signal = static fn(int $signal): array => array_map(static fn(int $group): bool => @posix_kill(-$group, $signal), $groups);
        $signal(SIGTERM);
        for ($until = microtime(true) + self::GRACE_SECONDS; microtime(true) < $until && \in_array(true, $signal(0), true); usleep(self::LOOK_MICROS)) {
            // Asking for its state also takes the end of a process from the system's table.
            array_map(static fn(Process $process): bool => $process->isRunning(), $this->processes);
        }
        $signal(SIGKILL);
    }
}
