<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Rehearsal;

use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Show\LinkKind;
use NimbleJunction\Core\Wire\Capture\Datagram as Recorded;

/** A datagram of a recorded network, for whoever of the show listens where it went. */
final readonly class Datagram
{
    public function __construct(private Recorded $recorded)
    {
    }

    /** @return list<OutgoingPacket>|null what leaves because of it; null when nobody listens there */
    public function play(Stage $stage, int $now): ?array
    {
        $packets = [];
        $isHeard = false;
        foreach ($stage->junction->plan()->endpoints as $key => $endpoint) {
            if ($endpoint->kind !== LinkKind::Udp || $endpoint->port !== $this->recorded->destinationPort) {
                continue;
            }
            $to = $this->recorded->destination;
            $isGroup = \in_array($to, $endpoint->groups, true);
            // A broadcast, or an adapter that is given by name: whose address it was, a capture does not say.
            $isForAll = str_ends_with($to, '.255') || filter_var($endpoint->address, \FILTER_VALIDATE_IP) === false;
            if ($isGroup || $isForAll || \in_array($endpoint->address, ['0.0.0.0', $to], true)) {
                $isHeard = true;
                array_push(
                    $packets,
                    ...$stage->junction->arrived(
                        $key,
                        $this->recorded->source,
                        $this->recorded->sourcePort,
                        $this->recorded->payload,
                        $now,
                    ),
                );
            }
        }

        return $isHeard ? $packets : null;
    }
}
