<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

use NimbleJunction\Core\Wire\Layout\Field;
use NimbleJunction\Core\Wire\Layout\Layout;

/** A packet with a sound header whose operation means nothing to us: heard, named, left alone. */
final readonly class Unhandled
{
    public function __construct(public OpCode $code)
    {
    }

    public static function layout(OpCode $code): Layout
    {
        return Header::layout("Art{$code->name}", $code, 12, Field::bytes('Data'));
    }
}
