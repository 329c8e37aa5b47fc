<?php

declare(strict_types=1);

namespace NimbleJunction\Bench\Support;

use Symfony\Component\Process\Process;

/** A PHP process under measurement, compiled as the engine is, and what the system says of it. */
final class Subject
{
    private const TICKS_A_SECOND = 100;
    private Process $process;

    /**
     * @param list<string> $words after "php" and its settings
     * @param string $ready what it says when it is; '' not to wait
     */
    public function __construct(array $words, string $ready)
    {
        $this->process = new Process(['bin/engine-php', ...$words], \dirname(__DIR__, 2), null, null, null);
        $this->process->start();
        for ($end = microtime(true) + 20; ! str_contains($this->process->getOutput(), $ready); usleep(5000)) {
            if (microtime(true) > $end || ! $this->process->isRunning()) {
                throw new \RuntimeException("It did not start: {$this->process->getOutput()}{$this->process->getErrorOutput()}");
            }
        }
    }

    /** Seconds of processor time so far, in user and in system. */
    public function cpuSeconds(): float
    {
        $fields = explode(
            ' ',
            substr((string) strrchr((string) file_get_contents("/proc/{$this->process->getPid()}/stat"), ')'), 2),
        );

        return ((int) $fields[11] + (int) $fields[12]) / self::TICKS_A_SECOND;
    }

    /** Megabytes that this process alone holds; what it shares with the system's libraries is not counted. */
    public function ownMegabytes(): float
    {
        preg_match('/^RssAnon:\s+(\d+)/m', (string) file_get_contents("/proc/{$this->process->getPid()}/status"), $found);

        return ((int) ($found[1] ?? 0)) / 1024;
    }

    public function kill(): void
    {
        $this->process->signal(SIGKILL);
        $this->process->wait();
    }

    public function stop(): void
    {
        $this->process->stop(5, SIGKILL);
    }

    /** Datagrams that the system dropped because this address was not read in time. */
    public static function dropped(string $address, int $port): int
    {
        $wanted = sprintf(
            '%s:%04X',
            strtoupper(
                implode(
                    '',
                    array_map(static fn(string $part): string => sprintf('%02x', $part), array_reverse(explode('.', $address))),
                ),
            ),
            $port,
        );
        foreach (file('/proc/net/udp') ?: [] as $line) {
            $fields = preg_split('/\s+/', trim($line)) ?: [];
            if (($fields[1] ?? '') === $wanted) {
                return (int) end($fields);
            }
        }

        return 0;
    }

    /** @return array{int, int} ticks of all processors so far: those that the host gave to somebody else, and all */
    public static function stolen(): array
    {
        $ticks = array_map(intval(...), \array_slice(preg_split('/\s+/', (string) (file('/proc/stat')[0] ?? '')) ?: [], 1, 8));

        return [$ticks[7] ?? 0, (int) array_sum($ticks)];
    }
}
