<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Trace;

use NimbleJunction\Core\Signal\Message;

/** A message has come in at a port. */
final readonly class MessageAt implements Fact
{
    public function __construct(private string $portId, private Message $message)
    {
    }

    public function words(Names $names): string
    {
        return "{$names->port($this->portId)}: {$names->message($this->message)}";
    }
}
