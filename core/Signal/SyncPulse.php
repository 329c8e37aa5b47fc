<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Signal;

/** A sender says: what I sent until now is meant for this moment. */
final readonly class SyncPulse
{
    /** @param string $key the frames it is for carry the same in $sync */
    public function __construct(public string $key, public string $words)
    {
    }
}
