<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

/** The show that the engine took on last, kept beside its state: what it runs when the stored one cannot be read. */
final class LastGoodShow
{
    private const FILE = 'last-good-show.json';
    private string $written = '';

    /** @param string $directory '' keeps nothing */
    public function __construct(private readonly string $directory)
    {
    }

    /** @return string the document as JSON; '' when there is none */
    public function read(): string
    {
        $path = $this->path();

        return $this->directory !== '' && is_file($path) ? (string) file_get_contents($path) : '';
    }

    /** @return bool false when it could not be written, with a full disk for one */
    public function keep(string $json): bool
    {
        if ($this->directory === '' || $json === $this->written) {
            return true;
        }
        $next = "{$this->path()}.next";
        if (@file_put_contents($next, $json) !== \strlen($json) || ! @rename($next, $this->path())) {
            @unlink($next);

            return false;
        }
        $this->written = $json;

        return true;
    }

    private function path(): string
    {
        return "{$this->directory}/".self::FILE;
    }
}
