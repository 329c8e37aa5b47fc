<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Gdtf;

/** A profile that came out of a file, and what of the file was not understood. */
final readonly class Taken
{
    /**
     * @param array<string, mixed> $profile a part of a show document, without an id
     * @param list<string> $left each thing that was not taken in, in words
     */
    public function __construct(public array $profile, public array $left)
    {
    }
}
