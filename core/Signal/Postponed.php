<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Signal;

/** A message whose sender says when it is to take effect (OSC 1.0, "Temporal Semantics and OSC Time Tags"). */
final readonly class Postponed
{
    /** @param int $unixNanos since 1970, by the sender's clock */
    public function __construct(public Message $message, public int $unixNanos)
    {
    }
}
