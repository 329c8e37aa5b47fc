<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** Something has happened that is no message and no value: the show has begun, a port or a source of levels came or went. */
final readonly class Occurred implements Event
{
    /** @param array<int|string, int|float|string> $fields */
    public function __construct(public string $what, private array $fields = [])
    {
    }

    public function keys(): array
    {
        return ["*occurred {$this->what}"];
    }

    public function fields(): array
    {
        return $this->fields;
    }
}
