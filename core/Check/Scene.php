<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check;

use NimbleJunction\Core\Discovery\Neighbour;
use NimbleJunction\Core\Show\LinkKind;
use NimbleJunction\Core\Show\PortEntry;
use NimbleJunction\Core\Show\WireUniverse;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\ArtNet\PortAddress;

/** All that the questions of one check are about. */
final readonly class Scene
{
    /**
     * @param PortEntry $port as it is now: it may have been switched while the show runs
     * @param bool $isOnInShow what the show says of that
     * @param string $other IPv4 address of the other end; '' if it is not known
     */
    public function __construct(
        public PortEntry $port,
        public bool $isOnInShow,
        public Observed $seen,
        public Network $network,
        public string $other,
        public int $now,
    ) {
    }

    public function isNetworked(): bool
    {
        return \in_array($this->port->link->kind, [LinkKind::Udp, LinkKind::Tcp, LinkKind::Session], true);
    }

    public function carriesLevels(): bool
    {
        return $this->port->protocol->carriesLevels();
    }

    /** Whether this may be the one that is asked about. */
    public function isAbout(string $address): bool
    {
        return $this->other === '' || $this->other === $address;
    }

    /** @return list<Neighbour> of our protocol, at the other end's address or at one that we send to */
    public function neighbours(): array
    {
        $addresses = $this->other !== '' ? [$this->other] : $this->port->send->to ?? [];

        return array_values(array_filter(
            $this->seen->neighbours,
            fn(Neighbour $one): bool => $one->protocol === $this->port->protocol && \in_array($one->address, $addresses, true),
        ));
    }

    public function spell(int $number): string
    {
        return match ($this->port->protocol) {
            Protocol::ArtNet => "port-address {$number} (".PortAddress::of($number)->spelled().')',
            Protocol::Sacn => "universe {$number}",
            default => "number {$number}",
        };
    }

    /** @param list<int> $numbers */
    public function spellAll(array $numbers): string
    {
        $more = \count($numbers) - 8;

        return $numbers === []
            ? 'none'
            : implode(', ', array_map($this->spell(...), \array_slice($numbers, 0, 8))).($more > 0 ? " and {$more} more" : '');
    }

    /**
     * The list of a side, with the one whose number is nearest moved to another number.
     *
     * @param list<WireUniverse> $links
     *
     * @return list<array<string, mixed>>
     */
    public static function moved(array $links, int $number): array
    {
        $distances = array_map(static fn(WireUniverse $link): int => abs($link->number - $number), $links);
        $nearest = $distances === [] ? null : array_search(min($distances), $distances, true);

        $moved = [];
        foreach ($links as $i => $link) {
            /** @var array<string, mixed> $fields */
            $fields = array_filter(get_object_vars($link), static fn(mixed $value): bool => $value !== null);
            $moved[] = [...$fields, 'number' => $i === $nearest ? $number : $link->number];
        }

        return $moved;
    }
}
