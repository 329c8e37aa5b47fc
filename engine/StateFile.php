<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

/** Keeps what the junction needs after a crash. Written beside the old file and renamed, so that one of the two is always whole. */
final class StateFile
{
    private string $written = '';

    public function __construct(private readonly string $path)
    {
    }

    /** @return array<mixed> empty when there is none, or it cannot be read */
    public function read(): array
    {
        $json = is_file($this->path) ? file_get_contents($this->path) : false;
        $state = \is_string($json) ? json_decode($json, true) : null;

        return \is_array($state) ? $state : [];
    }

    /** @param array<string, mixed> $state */
    public function write(array $state): void
    {
        $json = json_encode($state, \JSON_THROW_ON_ERROR);
        if ($json === $this->written) {
            return;
        }
        $next = "{$this->path}.next";
        if (@file_put_contents($next, $json) !== false && @rename($next, $this->path)) {
            $this->written = $json;
        }
    }
}
