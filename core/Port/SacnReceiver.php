<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Port;

use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Signal\Remark;
use NimbleJunction\Core\Wire\Sacn\Packet;
use NimbleJunction\Core\Wire\Sacn\Unhandled;

final readonly class SacnReceiver implements Receiver
{
    public function receive(string $bytes, string $from): array
    {
        $packet = Packet::decode($bytes);
        if ($packet instanceof Unhandled) {
            return [new Remark("a {$packet->named()} packet")];
        }

        return [new Frame(
            Protocol::Sacn,
            $packet->universe,
            $packet->levels,
            $packet->cid,
            $packet->sourceName,
            $packet->priority,
            $packet->sequence,
            $packet->isTerminated(),
            $packet->isPreview(),
            $packet->startCode,
        )];
    }
}
