<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Events;

/**
 * What has happened in this house, by the clock of the day, for whoever asks the morning after: a line of JSON an event, newest
 * last. Engine, web server and commands write to it side by side: each line goes in one write at the end of the file, which
 * no other one can part (POSIX write() with O_APPEND). Nobody waits for anybody.
 */
final class EventLog
{
    public const FILE = 'events.jsonl';

    /** A file that has grown to this many bytes is moved aside; so many of those are kept. */
    private const LONGEST = 2_000_000;
    private const KEPT = 5;
    private const LONGEST_WORDS = 2000;

    /** @param string $directory '' keeps nothing */
    public function __construct(private readonly string $directory)
    {
    }

    /**
     * @param string $by who did it; '' for nobody
     * @param string $port id of the port that it is about; '' for none
     *
     * @return bool whether it is written: a full disk keeps nothing from going on
     */
    public function note(EventKind $kind, string $words, string $by = '', string $port = ''): bool
    {
        if ($this->directory === '') {
            return false;
        }
        $event = [
            'at' => self::now(),
            'kind' => $kind->value,
            'words' => mb_strimwidth(mb_scrub($words), 0, self::LONGEST_WORDS, '…'),
        ];
        if ($by !== '') {
            $event['by'] = mb_scrub($by);
        }
        if ($port !== '') {
            $event['port'] = $port;
        }
        $line = json_encode($event, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES)."\n";
        $this->rotate();
        $isNew = ! is_file($this->path());
        $isWritten = @file_put_contents($this->path(), $line, \FILE_APPEND) === \strlen($line);
        if ($isNew) {
            @chmod($this->path(), 0o600);
        }

        return $isWritten;
    }

    /**
     * @param list<string> $kinds of these kinds; empty for all
     * @param string $text that their words hold; '' for all
     *
     * @return list<array<string, string>> "at" (RFC 3339, with the offset of the house), "kind", "words", and "by" and "port" where
     *                                     there are any; the newest first
     */
    public function read(int $most, array $kinds = [], string $text = ''): array
    {
        $found = [];
        foreach ($this->files() as $file) {
            $lines = @file($file, \FILE_IGNORE_NEW_LINES | \FILE_SKIP_EMPTY_LINES) ?: [];
            foreach (array_reverse($lines) as $line) {
                $event = json_decode($line, true);
                $isMeant = \is_array($event)
                    && ($kinds === [] || \in_array($event['kind'] ?? '', $kinds, true))
                    && ($text === '' || mb_stripos($line, $text) !== false);
                if ($isMeant) {
                    $found[] = self::words($event);
                }
                if (\count($found) >= $most) {
                    return $found;
                }
            }
        }

        return $found;
    }

    /** @return list<string> the newest first */
    public function files(): array
    {
        $paths = [$this->path(), ...array_map(fn(int $i): string => "{$this->path()}.{$i}", range(1, self::KEPT))];

        return array_values(array_filter($paths, is_file(...)));
    }

    private function rotate(): void
    {
        if (! $this->isFull()) {
            return;
        }
        // One of those who see it moves it; the others write on, into whichever is there.
        $lock = @fopen("{$this->path()}.lock", 'c');
        if ($lock === false || ! flock($lock, \LOCK_EX | \LOCK_NB)) {
            return;
        }
        if ($this->isFull()) {
            for ($i = self::KEPT; $i > 1; --$i) {
                @rename($this->path().'.'.($i - 1), "{$this->path()}.{$i}");
            }
            @rename($this->path(), "{$this->path()}.1");
        }
        fclose($lock);
    }

    /** @phpstan-impure others write too */
    private function isFull(): bool
    {
        clearstatcache(true, $this->path());

        return (int) @filesize($this->path()) >= self::LONGEST;
    }

    /**
     * @param array<mixed> $event
     *
     * @return array<string, string>
     */
    private static function words(array $event): array
    {
        $words = [];
        foreach ($event as $name => $value) {
            if (\is_string($value)) {
                $words[(string) $name] = $value;
            }
        }

        return $words;
    }

    private function path(): string
    {
        return "{$this->directory}/".self::FILE;
    }

    private static function now(): string
    {
        return (new \DateTimeImmutable(
            'now',
            \NimbleJunction\Engine\LocalZone::of(),
        ))->format(\DateTimeInterface::RFC3339_EXTENDED);
    }
}
