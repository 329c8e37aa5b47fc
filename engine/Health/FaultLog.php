<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Health;

/**
 * Faults of the program itself: each is counted, written down with its trace,
 * and shown on the page. None of them ends the engine.
 */
final class FaultLog
{
    public const FILE = 'engine-faults.log';

    /** A log that has grown to this many bytes is moved aside, over the one that was moved aside before. */
    private const LONGEST = 1_048_576;

    /** The same fault is written down in full this often, and counted after that. */
    private const MOST_OF_A_KIND = 3;

    public int $count = 0;

    /** @var array<string, int> how often, by where it happened */
    private array $kinds = [];

    /** @param string $directory where the log is kept; '' keeps none */
    public function __construct(private readonly string $directory, private readonly Warnings $warnings)
    {
    }

    /** @param string $where what was being done, in words */
    public function note(string $where, \Throwable $fault): void
    {
        ++$this->count;
        $place = basename($fault->getFile()).":{$fault->getLine()}";
        $times = $this->kinds[$place] = ($this->kinds[$place] ?? 0) + 1;
        if ($times <= self::MOST_OF_A_KIND) {
            $this->write($where, $fault);
        }
        $often = $this->count === 1 ? 'A fault' : "{$this->count} faults";
        $log = $this->directory === '' ? '' : ' Please report it with '.self::FILE.' from the data folder.';
        $this->warnings->raise(
            'faults',
            "{$often} in the program itself, the newest while {$where}: {$fault->getMessage()} ({$place}). The engine goes on.{$log}",
        );
    }

    private function write(string $where, \Throwable $fault): void
    {
        if ($this->directory === '') {
            return;
        }
        $path = "{$this->directory}/".self::FILE;
        if (is_file($path) && filesize($path) > self::LONGEST) {
            @rename($path, "{$path}.old");
        }
        @file_put_contents($path, gmdate('Y-m-d\TH:i:s\Z')." while {$where}:\n{$fault}\n\n", \FILE_APPEND);
    }
}
