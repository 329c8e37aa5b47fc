<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Shows;

/** The show that the engine took on last, kept beside its state: what it runs when the stored one cannot be read. */
final class LastGoodShow
{
    private const FILE = 'last-good-show.json';

    /** @param string $directory '' keeps nothing */
    public function __construct(private readonly string $directory)
    {
    }

    /** @return list<string> lines; none when there is none */
    public function read(): array
    {
        $path = $this->path();
        $text = $this->directory !== '' && is_file($path) ? (string) file_get_contents($path) : '';

        return $text === '' ? [] : explode("\n", rtrim($text, "\n"));
    }

    /**
     * @param list<string> $lines
     *
     * @return bool false when it could not be written, with a full disk for one
     */
    public function keep(array $lines): bool
    {
        if ($this->directory === '') {
            return true;
        }
        $next = "{$this->path()}.next";
        $text = implode("\n", $lines)."\n";
        if (@file_put_contents($next, $text) !== \strlen($text) || ! @rename($next, $this->path())) {
            @unlink($next);

            return false;
        }

        return true;
    }

    /**
     * What an edit has changed is put behind it.
     *
     * @return bool false when it could not be written
     */
    public function keepUpdate(string $line): bool
    {
        return $this->directory === '' || @file_put_contents($this->path(), "{$line}\n", \FILE_APPEND) === \strlen($line) + 1;
    }

    private function path(): string
    {
        return "{$this->directory}/".self::FILE;
    }
}
