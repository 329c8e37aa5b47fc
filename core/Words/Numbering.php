<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Words;

use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\ArtNet\PortAddress;

/** The numbers that a universe has on each network, next to each other, so that nobody has to guess which is meant. */
final class Numbering
{
    /** @return array<string, list<string>> by universe */
    public static function ofUniverses(Show $show): array
    {
        $numbers = array_fill_keys(array_keys($show->universes), []);
        foreach ($show->ports as $port) {
            foreach ($port->receive->feeds ?? [] as $link) {
                $numbers[$link->universe][] = "in from {$port->name}: ".self::of($port->protocol, $link->number);
            }
            foreach ($port->send->carries ?? [] as $link) {
                $numbers[$link->universe][] = "out to {$port->name}: ".self::of($port->protocol, $link->number);
            }
        }

        return $numbers;
    }

    public static function of(Protocol $protocol, int $number): string
    {
        return match ($protocol) {
            Protocol::ArtNet => 'Art-Net '.PortAddress::of($number)->spelled()." (port-address {$number} from 0; number ".($number + 1)
                .' on a desk that counts from 1)',
            Protocol::Sacn => "sACN universe {$number} (counted from 1)",
            default => 'DMX line',
        };
    }
}
