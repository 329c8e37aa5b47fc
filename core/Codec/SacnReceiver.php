<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Codec;

use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Signal\Remark;
use NimbleJunction\Core\Signal\Sighting;
use NimbleJunction\Core\Signal\SyncPulse;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Core\Wire\Sacn\Discovery;
use NimbleJunction\Core\Wire\Sacn\Packet;
use NimbleJunction\Core\Wire\Sacn\Synchronization;

final readonly class SacnReceiver implements Receiver
{
    /** @param string $cid our own: we do not find ourselves */
    public function __construct(private string $cid = '')
    {
    }

    public function receive(string $bytes, string $from): array
    {
        $packet = Packet::decode($bytes);
        if (! $packet instanceof Data) {
            return [match (true) {
                // ANSI E1.31-2018, 11.2: the pulse is for all data packets of its sender that name its address
                $packet instanceof Synchronization => new SyncPulse(
                    "{$packet->cid}{$packet->address}",
                    "a synchronization packet for universe {$packet->address}",
                ),
                $packet instanceof Discovery && $packet->cid === $this->cid => new Remark('our own universe discovery'),
                $packet instanceof Discovery => new Sighting(
                    Protocol::Sacn,
                    "sacn {$packet->cid}",
                    $from,
                    $packet->sourceName,
                    $packet->universes,
                    [],
                ),
                default => new Remark("an extended packet of kind {$packet->vector}, which we leave alone"),
            }];
        }

        if ($packet->cid === $this->cid) {
            // Multicast brings back what we send ourselves: it is nobody's levels.
            return [];
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
            $packet->synchronisation === 0 ? '' : "{$packet->cid}{$packet->synchronisation}",
            ($packet->options & Data::FORCE_SYNCHRONISATION) !== 0,
        )];
    }
}
