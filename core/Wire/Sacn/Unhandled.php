<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Sacn;

use NimbleJunction\Core\Wire\Layout\Field;
use NimbleJunction\Core\Wire\Layout\Layout;

/** A sound root layer of the extended kind with a framing vector that E1.31 does not name: heard, left alone. */
final readonly class Unhandled
{
    /** @param string $cid 16 bytes */
    public function __construct(public string $cid, public int $vector)
    {
    }

    public static function layout(): Layout
    {
        return new Layout('E1.31 extended packet', 'ANSI E1.31-2018, 5', 44, ...Packet::root(0, 8), ...[
            Field::number('Framing Layer Flags and Length', 2, 0x7000),
            Field::number('Framing Layer Vector', 4),
            Field::bytes('Data'),
        ]);
    }
}
