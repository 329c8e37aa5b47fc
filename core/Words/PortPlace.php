<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Words;

use NimbleJunction\Core\Show\LinkKind;
use NimbleJunction\Core\Show\PortEntry;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\Side\ReceiveSide;
use NimbleJunction\Core\Show\Side\SendSide;
use NimbleJunction\Core\Show\WireUniverse;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\ArtNet\PortAddress;

/** Where a port's two sides are, and which universes go there, in few words. */
final readonly class PortPlace
{
    private function __construct(private PortEntry $port, private Show $show)
    {
    }

    public static function of(PortEntry $port, Show $show): string
    {
        $place = new self($port, $show);
        $words = $port->link->device !== '' ? [self::over($port->link->kind)." {$port->link->device}"] : $place->addresses();

        return implode(', ', [...$words, ...$place->universes()]);
    }

    /** @return list<string> */
    private function addresses(): array
    {
        $kind = $this->port->link->kind;
        $over = $kind === LinkKind::Udp ? '' : ' ('.self::over($kind).')';

        return array_values(array_filter([
            $this->port->receive === null ? '' : $this->listens($this->port->receive).$over,
            $this->port->send === null ? '' : $this->sends($this->port->send).$over,
        ]));
    }

    private function listens(ReceiveSide $receive): string
    {
        return "listens at {$receive->address}:{$receive->port}";
    }

    private function sends(SendSide $send): string
    {
        $isMulticast = $send->group(1) !== null;
        $number = $isMulticast || $send->to !== [] ? ":{$send->port}" : '';
        $to = match (true) {
            $send->to !== [] => implode(', ', $send->to),
            $isMulticast => 'multicast',
            $send->repliesToo() => 'the last sender',
            default => 'whoever is connected',
        };

        return "sends to {$to}{$number}";
    }

    /** @return list<string> */
    private function universes(): array
    {
        $feeds = array_map(
            fn(WireUniverse $link): string => $this->number($link->number).' → '.$this->name($link->universe),
            $this->port->receive->feeds ?? [],
        );
        $carries = array_map(
            fn(WireUniverse $link): string => $this->name($link->universe).' → '.$this->number($link->number),
            $this->port->send->carries ?? [],
        );

        return [...$feeds, ...$carries];
    }

    private function name(string $universe): string
    {
        return $this->show->universes[$universe]->name ?? $universe;
    }

    private function number(int $number): string
    {
        return match ($this->port->protocol) {
            Protocol::ArtNet => PortAddress::of($number)->spelled()." ({$number})",
            Protocol::Sacn => "universe {$number}",
            default => 'line',
        };
    }

    private static function over(LinkKind $kind): string
    {
        return match ($kind) {
            LinkKind::Udp => 'UDP',
            LinkKind::Tcp => 'TCP',
            LinkKind::Browser => 'lent by a page',
            LinkKind::Session => 'network session',
            LinkKind::Device => 'device file',
            LinkKind::Cable => 'virtual cable',
            LinkKind::Serial => 'serial device',
        };
    }
}
