<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Codec;

use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Postponed;
use NimbleJunction\Core\Signal\Remark;
use NimbleJunction\Core\Signal\Sighting;
use NimbleJunction\Core\Signal\SyncPulse;
use NimbleJunction\Core\Wire\Malformed;

/** From the bytes of one protocol to the two currencies, and what else a protocol says. */
interface Receiver
{
    /**
     * @param string $from the sender's IPv4 address
     *
     * @return list<Frame|Message|Postponed|Remark|Sighting|SyncPulse>
     *
     * @throws Malformed
     */
    public function receive(string $bytes, string $from): array;
}
