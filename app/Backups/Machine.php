<?php

declare(strict_types=1);

namespace App\Backups;

/** Whose data it is: where this installation keeps them, and which version it is. */
final readonly class Machine
{
    /** @param string $data the data folder: database, identity, tapes, what the engine keeps */
    public function __construct(public string $data, public string $version)
    {
    }

    public static function here(): self
    {
        return new self((string) config('junction.data'), (string) config('junction.version'));
    }

    public function database(): string
    {
        return "{$this->data}/shows.sqlite";
    }

    public function identity(): string
    {
        return "{$this->data}/identity";
    }

    public function tapes(): string
    {
        return "{$this->data}/tapes";
    }

    public function backups(): string
    {
        return "{$this->data}/kept";
    }
}
