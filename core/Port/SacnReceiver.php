<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Port;

use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Signal\Remark;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Core\Wire\Sacn\Discovery;
use NimbleJunction\Core\Wire\Sacn\Packet;
use NimbleJunction\Core\Wire\Sacn\Synchronization;

final readonly class SacnReceiver implements Receiver
{
    public function receive(string $bytes, string $from): array
    {
        $packet = Packet::decode($bytes);
        if (! $packet instanceof Data) {
            return [new Remark(match (true) {
                $packet instanceof Synchronization => "a synchronization packet for universe {$packet->address}",
                $packet instanceof Discovery => "universe discovery: {$packet->sourceName} sends ".\count($packet->universes).' universes',
                default => "an extended packet of kind {$packet->vector}, which we leave alone",
            })];
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
