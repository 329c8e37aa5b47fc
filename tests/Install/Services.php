<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Install;

use PHPUnit\Framework\Assert;
use Symfony\Component\Process\Process;

/** The engine, PHP and the web server of the installed machine, in the hands of its systemd. */
final class Services
{
    private const UNITS = ['engine' => 'nimble-junction-engine', 'php' => 'php8.2-fpm', 'nginx' => 'nginx'];

    public function start(string ...$names): void
    {
        $this->tell('start', ...$names);
    }

    public function stop(string ...$names): void
    {
        $this->tell('stop', ...$names);
    }

    public function restart(string ...$names): void
    {
        $this->tell('restart', ...$names);
    }

    public function stopAll(): void
    {
        $this->tell('stop', ...array_keys(self::UNITS));
    }

    /** As a fault would, with all that belongs to it; it is not begun again from here. */
    public function kill(string $name, string $signal = 'KILL'): void
    {
        // Between its end and its beginning there is nobody to be killed.
        (new Process(['systemctl', 'kill', "--signal={$signal}", '--kill-whom=all', self::UNITS[$name]]))->run();
    }

    public function runs(string $name): bool
    {
        return $this->property($name, 'ActiveState') === 'active';
    }

    /** What systemd knows of it: "MainPID", "NRestarts", "Result"… */
    public function property(string $name, string $property): string
    {
        $process = new Process(['systemctl', 'show', '--value', "--property={$property}", self::UNITS[$name]]);
        $process->mustRun();

        return trim($process->getOutput());
    }

    /** What it said, as the journal has it. */
    public function said(string $name): string
    {
        $process = new Process(['journalctl', '--no-pager', '--output=cat', '--unit='.self::UNITS[$name]]);
        $process->mustRun();

        return $process->getOutput();
    }

    /** What it holds alone, with its children. */
    public function megabytes(string $name): float
    {
        $kilobytes = 0;
        foreach ($this->processes($name) as $pid) {
            $kilobytes += preg_match('/^RssAnon:\s+(\d+)/m', (string) @file_get_contents("/proc/{$pid}/status"), $found) === 1
                ? (int) $found[1]
                : 0;
        }

        return $kilobytes / 1024;
    }

    /** @return list<string> ids of all processes of this service */
    public function processes(string $name): array
    {
        $group = $this->property($name, 'ControlGroup');

        return array_values(array_filter(explode("\n", (string) @file_get_contents("/sys/fs/cgroup{$group}/cgroup.procs"))));
    }

    private function tell(string $what, string ...$names): void
    {
        $process = new Process(
            ['systemctl', $what, ...array_map(static fn(string $name): string => self::UNITS[$name], $names)],
            timeout: 120,
        );
        $process->run();
        Assert::assertSame(0, $process->getExitCode(), $process->getErrorOutput().implode('', array_map($this->said(...), $names)));
    }
}
