<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Check\Network;
use NimbleJunction\Core\Show\PortEntry;
use NimbleJunction\Core\Show\RouteEntry;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\UniverseEntry;
use NimbleJunction\Core\Show\WireUniverse;
use NimbleJunction\Core\Words\Numbering;
use NimbleJunction\Core\Words\OtherEnd;
use NimbleJunction\Core\Words\PortPlace;
use NimbleJunction\Core\Words\RouteEnds;
use NimbleJunction\Core\Words\Sentence;
use NimbleJunction\Engine\Net\Adapters;

/** What a page shows of the parts of a show besides what stands in the document: sentences, numbers, what the other ends need. */
final readonly class Derived
{
    public function __construct(private Show $show)
    {
    }

    /**
     * @param array<string, RouteEntry> $routes of the show
     *
     * @return array<string, object>
     */
    public function ofRoutes(array $routes): array
    {
        return [
            'sentences' => (object) array_map(fn(RouteEntry $route): string => Sentence::of($route, $this->show), $routes),
            'routeEnds' => (object) array_map(fn(RouteEntry $route): array => RouteEnds::of($route, $this->show), $routes),
        ];
    }

    /**
     * What has to be set at the other ends.
     *
     * @param array<string, PortEntry> $ports of the show
     *
     * @return array<string, list<array{side: string, label: string, value: string}>> by port
     */
    public function otherEnds(array $ports): array
    {
        $adapters = Adapters::all();
        $ours = array_column($adapters, 'address');
        $byAdapter = [];
        foreach ($adapters as $adapter) {
            $byAdapter[$adapter['name']][] = $adapter['address'];
        }

        return array_map(fn(PortEntry $port): array => OtherEnd::of($port, $this->show, $ours, $byAdapter), $ports);
    }

    /**
     * @param array<string, PortEntry> $ports of the show
     *
     * @return array<string, object>
     */
    public function ofPorts(array $ports): array
    {
        return [
            'places' => (object) array_map(fn(PortEntry $port): string => PortPlace::of($port, $this->show), $ports),
            'unsent' => (object) array_filter(array_map($this->unsent(...), $ports)),
        ];
    }

    /**
     * @param array<string, UniverseEntry> $universes of the show
     *
     * @return array<string, object>
     */
    public function ofUniverses(array $universes): array
    {
        $patch = $this->show->patch();

        return [
            'numbering' => (object) array_intersect_key(Numbering::ofUniverses($this->show), $universes),
            'nextFree' => (object) array_map(
                static fn(UniverseEntry $universe): ?int => $patch->nextFree($universe->id),
                $universes,
            ),
        ];
    }

    /**
     * @param array<string, UniverseEntry> $universes of the show
     *
     * @return list<array<string, mixed>> the fixtures and pixels in them, in the order of their addresses
     */
    public function patchOf(array $universes): array
    {
        return PatchSheet::of(
            $this->show->patch(),
            array_map(strval(...), array_keys($universes)),
            $this->show->runs(),
        );
    }

    /**
     * @return list<array{name: string, address: string, netmask: string, broadcast: string}> the network adapters of this
     * machine
     */
    public static function adapters(): array
    {
        return array_map(
            static fn(array $one): array => [...$one, 'broadcast' => Network::broadcast($one['address'], $one['netmask'])],
            Adapters::all(),
        );
    }

    /** @return list<string> names of the universes that there is no room for */
    private function unsent(PortEntry $port): array
    {
        return array_map(
            fn(WireUniverse $link): string => $this->show->universes[$link->universe]->name,
            $port->send?->ranked()[1] ?? [],
        );
    }
}
