<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Codec;

use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\DmxLine\Line;

final readonly class DmxLineReceiver implements Receiver
{
    public function receive(string $bytes, string $from): array
    {
        $line = Line::decode($bytes);

        return [new Frame(Protocol::DmxLine, 1, $line->levels, $from, startCode: $line->startCode)];
    }
}
