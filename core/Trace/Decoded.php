<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Trace;

use NimbleJunction\Core\Signal\Message;

/** What the bytes say. */
final readonly class Decoded implements Fact
{
    public function __construct(private Message $message)
    {
    }

    public function words(Names $names): string
    {
        return $names->message($this->message);
    }
}
