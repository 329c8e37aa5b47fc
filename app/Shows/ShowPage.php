<?php

declare(strict_types=1);

namespace App\Shows;

use App\Models\User;
use NimbleJunction\Core\Check\Network;
use NimbleJunction\Core\Show\PortEntry;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\UniverseEntry;
use NimbleJunction\Core\Show\WireUniverse;
use NimbleJunction\Core\Words\Numbering;
use NimbleJunction\Core\Words\OtherEnd;
use NimbleJunction\Core\Words\PortPlace;
use NimbleJunction\Core\Words\RouteEnds;
use NimbleJunction\Core\Words\Sentence;
use NimbleJunction\Engine\Net\Adapters;

/** All that a page needs of the current show, computed here: the document, its sentences, what the other ends need. */
final readonly class ShowPage
{
    public function __construct(private ShowStore $shows)
    {
    }

    /** @return array<string, mixed> */
    public function assemble(?User $user = null): array
    {
        $document = $this->shows->document();
        $edit = $this->shows->lastEdit($user);
        $undone = $this->shows->lastUndone($user);
        $show = ShowReader::fromArray($document);
        $adapters = array_map(
            static fn(array $one): array => [...$one, 'broadcast' => Network::broadcast($one['address'], $one['netmask'])],
            Adapters::all(),
        );
        $ours = array_column($adapters, 'address');
        $byAdapter = [];
        foreach ($adapters as $adapter) {
            $byAdapter[$adapter['name']][] = $adapter['address'];
        }

        return [
            'document' => $document,
            'sentences' => (object) array_map(static fn($route): string => Sentence::of($route, $show), $show->routes),
            'routeEnds' => (object) array_map(static fn($route): array => RouteEnds::of($route, $show), $show->routes),
            'otherEnds' => (object) array_map(
                static fn($port): array => OtherEnd::of($port, $show, $ours, $byAdapter),
                $show->ports,
            ),
            'places' => (object) array_map(static fn(PortEntry $port): string => PortPlace::of($port, $show), $show->ports),
            'numbering' => (object) Numbering::ofUniverses($show),
            'unsent' => (object) array_filter(
                array_map(
                    static fn(PortEntry $port): array => array_map(
                        static fn(WireUniverse $link): string => $show->universes[$link->universe]->name,
                        $port->send?->ranked()[1] ?? [],
                    ),
                    $show->ports,
                ),
            ),
            'patch' => PatchSheet::of($show->patch()),
            'nextFree' => (object) array_map(
                static fn(UniverseEntry $universe): ?int => $show->patch()->nextFree($universe->id),
                $show->universes,
            ),
            'adapters' => $adapters,
            'revision' => $this->shows->current()->revision,
            'undo' => $edit?->summary,
            'undoBy' => $edit?->author(),
            'redo' => $undone?->summary,
            'redoBy' => $undone?->author(),
        ];
    }
}
