<?php

declare(strict_types=1);

namespace App\Processes;

use Symfony\Component\Process\Process;

/**
 * One process that is kept running, in a process group of its own (setsid), so
 * that what it has started itself ends with it. The first deaths are mended at
 * once; one that dies again and again is started ever less often, and never
 * given up.
 */
final class Ward
{
    private const FIRST_PAUSES = 3;
    private const LONGEST_PAUSE = 5.0;

    /** One that has lived so long is sound again. */
    private const SOUND_SECONDS = 60.0;

    private ?Process $process = null;
    private int $group = 0;
    private int $deaths = 0;
    private float $startedAt = 0.0;
    private float $startAt = 0.0;

    /**
     * @param list<string> $command
     * @param array<string, string> $environment
     * @param bool $isQuiet what it says is thrown away
     */
    public function __construct(
        private readonly string $name,
        private readonly array $command,
        private readonly string $directory,
        private readonly array $environment,
        private readonly bool $isQuiet,
    ) {
    }

    /** @return string what has happened, in words; '' for nothing */
    public function look(): string
    {
        if ($this->process?->isRunning() === true) {
            return '';
        }
        $now = microtime(true);
        if ($this->process !== null) {
            $how = $this->process->getExitCodeText();
            $this->process = null;
            $this->deaths = $now - $this->startedAt > self::SOUND_SECONDS ? 1 : $this->deaths + 1;
            $this->startAt = $now + $this->pause();
            // Its children would hold the ports that the next one needs.
            $this->signal(SIGKILL);

            return "{$this->name} ended with {$how}; it is started again".($this->pause() > 0 ? ' in '.round($this->pause(), 1).' s' : '')
                .'.';
        }
        if ($now >= $this->startAt && ! $this->isThere()) {
            $this->launch($now);
        }

        return '';
    }

    /** What it said since this was last asked, each line with its name before it. */
    public function said(): string
    {
        if ($this->process === null) {
            return '';
        }
        $output = $this->process->getIncrementalOutput().$this->process->getIncrementalErrorOutput();
        $this->process->clearOutput();
        $this->process->clearErrorOutput();

        return $this->isQuiet ? '' : (preg_replace('/^(?=.)/m', "{$this->name}: ", $output) ?? $output);
    }

    /** To it and to all that it has started. */
    public function signal(int $signal): void
    {
        if ($this->group > 0) {
            @posix_kill(-$this->group, $signal);
        }
    }

    /** Whether it, or something that it has started, is still there. */
    public function isThere(): bool
    {
        // Asking for its state also takes the end of a process from the system's table.
        $this->process?->isRunning();

        return $this->group > 0 && @posix_kill(-$this->group, 0);
    }

    private function launch(float $now): void
    {
        $this->process = new Process(['setsid', ...$this->command], $this->directory, $this->environment, null, null);
        $this->process->start();
        $this->group = (int) $this->process->getPid();
        $this->startedAt = $now;
    }

    private function pause(): float
    {
        return $this->deaths <= self::FIRST_PAUSES ? 0.0 : min(
            self::LONGEST_PAUSE,
            0.1 * 2 ** ($this->deaths - self::FIRST_PAUSES),
        );
    }
}
