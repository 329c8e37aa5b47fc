<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\NodePort;
use NimbleJunction\Core\Wire\ArtNet\Packet;
use NimbleJunction\Core\Wire\ArtNet\Poll;
use NimbleJunction\Core\Wire\ArtNet\PollReply;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\StandIn\Link\Datagrams;

/** A lighting desk that sends Art-Net, and answers polls. */
final class HouseDesk extends Desk
{
    /** @param list<int> $portAddresses all carry the same faders */
    public function __construct(string $id, string $name, string $address, string $to, private readonly array $portAddresses)
    {
        parent::__construct($id, $name, $address, "{$to}:".Packet::UDP_PORT);
    }

    public function state(): array
    {
        return [
            ...parent::state(),
            'protocol' => 'Art-Net',
            'universes' => array_map($this->numbered(...), $this->portAddresses),
        ];
    }

    protected function open(): Datagrams
    {
        return new Datagrams($this->address, Packet::UDP_PORT, function (string $bytes, string $from): void {
            try {
                if (Packet::decode($bytes) instanceof Poll && $this->cable) {
                    $reply = new PollReply(
                        $this->address,
                        $this->name,
                        $this->name,
                        array_map(
                            static fn(int $number): NodePort => NodePort::input($number & 15),
                            array_map($this->numbered(...), $this->portAddresses),
                        ),
                        style: 1,
                    );
                    $this->socket?->send($reply->encode(), $from);
                }
            } catch (Malformed) {
                // A desk says nothing to what it cannot read.
            }
        });
    }

    protected function packets(string $slots): array
    {
        return array_map(
            fn(int $number): string => (new Dmx($this->numbered($number), $slots, $this->sequence))->encode(),
            $this->portAddresses,
        );
    }
}
