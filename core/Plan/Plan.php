<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Desk\Desk;
use NimbleJunction\Core\Message\Agreed;
use NimbleJunction\Core\Offer\Offers;
use NimbleJunction\Core\Panel\Panels;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Pixels\Pixels;
use NimbleJunction\Core\Programme\Lanes;
use NimbleJunction\Core\Programme\Programme;
use NimbleJunction\Core\Route\SlotToMessage;
use NimbleJunction\Core\Show\ValueEntry;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Surface\Surfaces;
use NimbleJunction\Core\Timeline\Timelines;
use NimbleJunction\Core\Timetable\Timetable;
use NimbleJunction\Core\Universe\Rules;
use NimbleJunction\Core\Universe\Stages;

/** A show, compiled: nothing in it changes, and everything is found by an index. */
final readonly class Plan
{
    /**
     * @param array<string, array{name: string, rules: Rules, stages: Stages}> $universes by id; those of virtual intensities too, each before the universe that it lies beside
     * @param array<string, array{name: string, protocol: Protocol, enabled: bool, receives: bool, sends: bool, via: string}> $ports by id; via is the key of its own endpoint, '' where it only sends datagrams
     * @param array<string, Endpoint> $endpoints by key
     * @param array<string, list<UniverseExit>> $exits by universe
     * @param array<string, MessageExit> $messageExits by port
     * @param RouteIndex $index routes by what they wait for, disabled ones too: they are near misses
     * @param array<string, array<int, list<SlotToMessage>>> $slotRoutes by universe and slot, disabled ones too: they can be switched on
     * @param array<string, list<Copy>> $copies by the universe that they are taken from
     * @param list<Announcement> $announcements
     * @param int $middleC octave number of MIDI note 60
     * @param Agreed $agreed what notes mean
     * @param array<string, ValueEntry> $values the show's own, by id
     * @param Origin|null $origin null for a plan that was made by hand
     * @param array<string, array<string, array<int, true>>> $routeSlots slots, 0 to 511, that each route sets as far as it is switched on in the show, by universe and owner
     * @param array<string, Desk> $desks by id
     * @param array<string, int> $order place of each universe that copies run from or to: what is copied from comes before what is copied to
     */
    public function __construct(
        public string $name,
        public array $universes,
        public array $ports,
        public array $endpoints,
        public array $exits,
        public array $messageExits,
        public RouteIndex $index,
        public array $slotRoutes,
        public array $copies = [],
        public array $announcements = [],
        public array $order = [],
        public int $middleC = 4,
        public Agreed $agreed = new Agreed(),
        public Patch $patch = new Patch([], []),
        public array $values = [],
        public ?Origin $origin = null,
        public array $routeSlots = [],
        public Pixels $pixels = new Pixels(),
        public Offers $offers = new Offers(),
        public Programme $programme = new Programme(),
        public Lanes $lanes = new Lanes(),
        public Surfaces $surfaces = new Surfaces(),
        public Panels $panels = new Panels(),
        public Timelines $timelines = new Timelines(),
        public Timetable $timetable = new Timetable(),
        public array $desks = [],
    ) {
    }

    public static function empty(): self
    {
        return new self('', [], [], [], [], [], new RouteIndex([]), []);
    }

    public function portName(string $id): string
    {
        return $this->ports[$id]['name'] ?? $id;
    }

    public function universeName(string $id): string
    {
        return $this->universes[$id]['name'] ?? $id;
    }

    /** @return list<string> ids of the ports that have an endpoint of their own there */
    public function portsAt(string $endpointKey): array
    {
        $ids = [];
        foreach ($this->ports as $id => $port) {
            if ($port['via'] === $endpointKey) {
                $ids[] = (string) $id;
            }
        }

        return $ids;
    }

    /** @return array<string, Mapping> how frames reach universes, by "port universe" */
    public function feeds(): array
    {
        $feeds = [];
        foreach ($this->endpoints as $endpoint) {
            foreach ($endpoint->mappings as $mappings) {
                foreach ($mappings as $mapping) {
                    $feeds["{$mapping->portId} {$mapping->universeId}"] = $mapping;
                }
            }
        }

        return $feeds;
    }

    /** @return array<string, true> keys of all local ends that something leaves from */
    public function vias(): array
    {
        $vias = [];
        foreach ($this->exits as $exits) {
            foreach ($exits as $exit) {
                foreach ([...$exit->destinations, ...$exit->syncDestinations] as $destination) {
                    $vias[$destination->via] = true;
                }
            }
        }
        foreach ($this->messageExits as $exit) {
            foreach ([...$exit->destinations, ...($exit->reply === null ? [] : [$exit->reply])] as $destination) {
                $vias[$destination->via] = true;
            }
        }
        foreach ($this->announcements as $announcement) {
            foreach ($announcement->destinations as $destination) {
                $vias[$destination->via] = true;
            }
        }

        return $vias;
    }
}
