<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show\Side;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Show\WireUniverse;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Sacn\Discovery;
use NimbleJunction\Core\Wire\Sacn\Packet;
use NimbleJunction\Core\Wire\Sacn\Universe;

/** sACN comes in: each of its packets says its own priority. */
final readonly class SacnReceive extends ReceiveSide
{
    /** @param list<WireUniverse> $feeds */
    public function __construct(
        bool $enabled,
        string $address,
        int $port,
        array $feeds,
        private bool $multicast,
        private bool $lastResort,
        private float $timeOut,
    ) {
        parent::__construct($enabled, $address, $port, $feeds);
    }

    public static function fields(): array
    {
        return [
            self::addressField(),
            Field::whole('port', 'Our receive port (UDP)', 1, 65535, Packet::UDP_PORT),
            self::enabledField(),
            Field::flag('multicast', 'Multicast', false)->meaning('Join the multicast groups of the universes.'),
            self::lastResortField(),
            self::timeOutField(Protocol::Sacn),
            self::feedsField(),
        ];
    }

    public function groups(): array
    {
        if (! $this->multicast) {
            return [];
        }
        $groups = array_map(static fn(WireUniverse $link): string => Universe::multicastGroup($link->number), $this->feeds);

        return [...$groups, Universe::multicastGroup(Discovery::UNIVERSE)];
    }

    public function priority(): ?int
    {
        return null;
    }

    public function timeOut(): float
    {
        return $this->timeOut;
    }

    public function isLastResort(): bool
    {
        return $this->lastResort;
    }
}
