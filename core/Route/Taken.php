<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** A trigger takes an event: the value that goes into the steps, and how it came by it, in words. */
final readonly class Taken
{
    /** @param array<int|string, int|float|string> $names what a template took of it, for texts and conditions */
    public function __construct(public float $value, public string $words, public array $names = [])
    {
    }
}
