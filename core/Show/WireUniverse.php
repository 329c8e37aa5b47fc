<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Wire\ArtNet\PortAddress;
use NimbleJunction\Core\Wire\Sacn\Universe;

/** A universe's number on the wire, and which of our universes that is. */
readonly class WireUniverse implements Part
{
    /** @param int $number Art-Net port-address 0 to 32767, sACN universe 1 to 63999, 1 on a DMX line */
    public function __construct(public int $number, public string $universe)
    {
    }

    public static function label(): string
    {
        return 'Wire universe';
    }

    public static function fields(): array
    {
        return [
            Field::whole('number', 'Number on the wire', 0, Universe::HIGHEST)
                ->rangedBy(
                    'protocol',
                    [
                        'art-net' => [0, PortAddress::HIGHEST],
                        'sacn' => [Universe::LOWEST, Universe::HIGHEST],
                        'dmx-line' => [1, 1],
                    ],
                )
                ->meaning('Art-Net port-address from 0, sACN universe from 1, 1 on a DMX line.'),
            Field::universe(),
        ];
    }
}
