<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

/** A packet with a sound header whose operation means nothing to us: heard, named, left alone. */
final readonly class Unhandled
{
    public function __construct(public OpCode $code)
    {
    }
}
