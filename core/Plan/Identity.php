<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

/** Who we are on the network: given from outside, so that it stays the same from start to start. */
final readonly class Identity
{
    /** @param string $cid 16 bytes, ANSI E1.31-2018, 5.6 */
    public function __construct(public string $cid, public string $name = 'Nimble Junction')
    {
    }
}
