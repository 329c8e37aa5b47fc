<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Engine\Health\Warnings;

/**
 * Keeps what decides output over a crash. Written beside the old file and
 * renamed, so that one of the two is always whole; each carries a checksum. Now
 * and then the file before is kept as an older generation: after the machine
 * lost its power the newest may not have reached the disk.
 */
final class StateFile
{
    private const HEAD = 'nimble-junction/state 1';

    /** Older than what a system keeps back before it writes to a disk (30 s where nobody set it otherwise). */
    private const GENERATION_SECONDS = 40;

    private int $generationAt = 0;

    public function __construct(private readonly string $path, private readonly ?Warnings $warnings = null)
    {
    }

    /**
     * @return array{state: array<mixed>, away: int} away: nanoseconds since it was written down;
     *                                               an empty state when there is none that can be trusted
     */
    public function read(): array
    {
        foreach ([$this->path, $this->older()] as $path) {
            if (! is_file($path)) {
                continue;
            }
            $kept = self::parse((string) file_get_contents($path));
            if ($kept !== null) {
                return ['state' => $kept['state'], 'away' => self::away($kept)];
            }
            $aside = "{$path}.broken-".gmdate('Ymd-His');
            @rename($path, $aside);
            $this->warnings?->raise(
                'state '.basename($path),
                'The file with levels and holds from before the restart is broken: it was set aside as '.basename($aside)
                    .', and the one before it is used, if there is one. Was the machine switched off, or its disk full?',
            );
        }

        return ['state' => [], 'away' => 0];
    }

    /**
     * @param array<string, mixed> $state
     */
    public function write(array $state): void
    {
        $this->keep(json_encode($state, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE));
    }

    /**
     * @param string $json the same, as it is to be written
     *
     * @return bool whether it is written
     */
    public function keep(string $json): bool
    {
        $body = json_encode(['boot' => self::boot(), 'at' => hrtime(true), 'time' => time()], \JSON_THROW_ON_ERROR)."\n{$json}";
        $bytes = self::HEAD.' '.hash('xxh128', $body)."\n{$body}";
        $next = "{$this->path}.next";
        if (@file_put_contents($next, $bytes) !== \strlen($bytes)) {
            @unlink($next);
            $this->warnings?->raise(
                'disk',
                'Levels and holds cannot be kept for a restart: '.dirname($this->path)
                    .' cannot be written. Is the disk full? The show goes on.',
            );

            return false;
        }
        $this->rotate();
        if (! @rename($next, $this->path)) {
            return false;
        }
        $this->warnings?->clear('disk');

        return true;
    }

    private function rotate(): void
    {
        if (time() - $this->generationAt >= self::GENERATION_SECONDS && is_file($this->path)) {
            // A second name for the file of now: renaming another one over its first name leaves it there.
            @unlink($this->older());
            @link($this->path, $this->older());
            $this->generationAt = time();
        }
    }

    private function older(): string
    {
        return "{$this->path}.older";
    }

    /**
     * @param string $bytes of such a file
     *
     * @return array<mixed>|null the state in it; null when the file is broken
     */
    public static function stateIn(string $bytes): ?array
    {
        return self::parse($bytes)['state'] ?? null;
    }

    /** @return array{boot: string, at: int, time: int, state: array<mixed>}|null null for one that is broken */
    private static function parse(string $bytes): ?array
    {
        [$head, $body] = explode("\n", $bytes, 2) + [1 => ''];
        if ($head !== self::HEAD.' '.hash('xxh128', $body)) {
            return null;
        }
        [$first, $json] = explode("\n", $body, 2) + [1 => ''];
        $when = json_decode($first, true);
        $state = json_decode($json, true);
        if (! \is_array($when) || ! \is_array($state)) {
            return null;
        }
        $boot = $when['boot'] ?? null;
        $at = $when['at'] ?? null;
        $time = $when['time'] ?? null;

        return \is_string($boot) && \is_int($at) && \is_int($time) ? [
            'boot' => $boot,
            'at' => $at,
            'time' => $time,
            'state' => $state,
        ] : null;
    }

    /**
     * By the clock that never runs back, if the machine has not been started since; otherwise by that of the day.
     *
     * @param array{boot: string, at: int, time: int} $kept
     */
    private static function away(array $kept): int
    {
        $away = $kept['boot'] === self::boot() ? (int) hrtime(true) - $kept['at'] : (time() - $kept['time']) * 1_000_000_000;

        return max(0, min(86_400_000_000_000, $away));
    }

    private static function boot(): string
    {
        return trim((string) @file_get_contents('/proc/sys/kernel/random/boot_id'));
    }
}
