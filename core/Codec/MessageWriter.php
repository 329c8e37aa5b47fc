<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Codec;

use NimbleJunction\Core\Signal\Message;

/** From an event to the bytes of one protocol. */
interface MessageWriter
{
    /** @return string one packet; '' when the protocol has no words for it */
    public function write(Message $message): string;
}
