<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Merge\Contributor;
use NimbleJunction\Core\Merge\Layer;
use NimbleJunction\Core\Merge\SlotPriorities;
use NimbleJunction\Core\Merge\Source;
use NimbleJunction\Core\Scope\Probe;
use NimbleJunction\Core\Trace\Event;
use NimbleJunction\Core\Trace\Hop;
use NimbleJunction\Core\Universe\Universe;
use NimbleJunction\Engine\Health\Compilation;
use NimbleJunction\Engine\Health\Warnings;
use NimbleJunction\Engine\Net\Descriptors;

/** What the junction is doing, as plain arrays for the live link. Times are milliseconds ago. */
final readonly class Report
{
    /** Bytes of a packet that a hop shows. */
    private const MOST_BYTES = 160;

    /** Names of owners that a source of ours is called by. */
    private const MOST_NAMES = 3;

    public function __construct(private Junction $junction, private int $startedAt, private PortReport $ports, private Warnings $warnings, private Descriptors $descriptors)
    {
    }

    /** @return array<string, mixed> */
    public function status(int $now): array
    {
        return [
            'type' => 'status',
            'engine' => ['show' => $this->junction->plan()->name, 'adoptions' => $this->junction->adoptions, 'upSeconds' => intdiv($now - $this->startedAt, 1_000_000_000), 'pid' => getmypid(), 'runs' => Compilation::words(), 'warnings' => $this->warnings->all(), 'descriptors' => $this->descriptors->open()],
            'ports' => (object) $this->ports->all($now),
            'universes' => (object) array_map(self::universe(...), $this->junction->universes()),
            'holds' => $this->holds($now),
            'unclaimed' => $this->ports->unclaimed($now),
        ];
    }

    /** @return array<string, mixed> packets of each port in each of the last 60 seconds */
    public function minutes(int $now): array
    {
        $ports = [];
        foreach (array_keys($this->junction->plan()->ports) as $id) {
            $activity = $this->junction->activity((string) $id);
            $ports[$id] = ['in' => $activity->minute($now, true), 'out' => $activity->minute($now, false)];
        }

        return ['type' => 'minutes', 'ports' => (object) $ports];
    }

    /** @return array<string, mixed> who gives a universe levels */
    public function sources(Universe $universe, int $now): array
    {
        $leading = $universe->leading();
        $rows = [];
        foreach ($universe->contributors() as $contributor) {
            // Its number in the winners' picture, 0 when it takes no part.
            $place = array_search($contributor, $leading, true);
            $rows[] = ($contributor instanceof Source ? self::sender($contributor, $now) : self::ours($contributor))
                + ['place' => \is_int($place) ? $place + 1 : 0];
        }

        return ['type' => 'sources', 'universe' => $universe->id, 'merge' => $universe->rules()->merge->value, 'sources' => $rows];
    }

    /**
     * @param int $slot 0 to 511
     *
     * @return array<string, mixed>
     */
    public function slot(Universe $universe, int $slot): array
    {
        $contributions = [];
        $leading = $universe->leading();
        foreach ($universe->sources() as $source) {
            $contributions[] = ['name' => $source->name, 'level' => \ord($source->levels[$slot]), 'priority' => SlotPriorities::of($source, $slot), 'leads' => \in_array($source, $leading, true)];
        }
        foreach ($universe->layers()->all() as $layer) {
            foreach ($layer->at($slot) as $one) {
                $contributions[] = ['name' => $one->name, 'level' => \ord($one->levels[$slot]), 'priority' => $layer->priority, 'leads' => \in_array($layer, $leading, true)];
            }
        }

        return ['level' => \ord($universe->levels[$slot]), 'why' => $universe->explain($slot), 'contributions' => $contributions];
    }

    /** @return array<string, mixed>|null events changed since a revision */
    public function trace(int $revision, int $now): ?array
    {
        $events = $this->junction->trace->since($revision, 200);
        if ($events === []) {
            return null;
        }

        $names = $this->junction->names();

        return [
            'type' => 'trace',
            'revision' => $this->junction->trace->revision(),
            'events' => array_map(static fn(Event $event): array => [
                'serial' => $event->serial,
                'kind' => $event->kind->value,
                'port' => $event->portId,
                'title' => $event->title($names),
                'count' => $event->count,
                'ago' => self::ago($event->at, $now),
                'hops' => array_map(static fn(Hop $hop): array => [
                    'step' => $hop->step($names)->value,
                    'words' => $hop->words($names),
                    'bytes' => bin2hex(substr($hop->bytes, 0, self::MOST_BYTES)),
                    'length' => \strlen($hop->bytes),
                    'route' => $hop->routeId($names),
                ], $event->hops),
            ], $events),
        ];
    }

    /**
     * @param int $since number of the first point wanted
     *
     * @return array<string, mixed> new points of a probe, each in milliseconds of our own clock and the value, and what they show
     */
    public function scope(Probe $probe, int $since, int $now): array
    {
        $analysis = $probe->analysis($now);

        return [
            'type' => 'scope',
            'subject' => $probe->subject->key(),
            'from' => $since,
            'next' => $probe->next(),
            'now' => round($now / 1e6, 1),
            'points' => array_map(static fn(array $point): array => [round($point[0] / 1e6, 1), $point[1]], array_values($probe->since($since))),
            'words' => $analysis->words,
            'rate' => round($analysis->changes, 2),
            'arrivals' => round($analysis->arrivals, 2),
            'step' => round($analysis->step, 3),
            'jitter' => round($analysis->jitterMillis, 1),
        ];
    }

    public static function ago(?int $then, int $now): ?int
    {
        return $then === null ? null : intdiv($now - $then, 1_000_000);
    }

    /** @return array<string, mixed> */
    private static function universe(Universe $universe): array
    {
        $senders = $universe->leadingSenders();

        return [
            'spoken' => $universe->spoken || $universe->hasStopped(),
            'sources' => \count($universe->contributors()),
            'leaders' => array_map(static fn(Source $source): string => $source->name, $senders),
            'priority' => $senders === [] ? null : max(array_map(static fn(Source $source): int => $source->priority, $senders)),
            'raised' => 512 - substr_count($universe->levels, "\0"),
        ];
    }

    /** @return array<string, mixed> */
    private static function sender(Source $source, int $now): array
    {
        return [
            'name' => $source->name,
            'protocol' => $source->protocol->spelled(),
            'port' => $source->portId,
            'address' => $source->address,
            'priority' => $source->priority,
            'slots' => $source->slots,
            'frames' => $source->frames,
            'outOfOrder' => $source->outOfOrder,
            'lost' => $source->lost,
            'rate' => $source->rhythm->rate($now),
            'gap' => round($source->rhythm->longestGapMillis($now)),
            'jitter' => round($source->rhythm->jitterMillis(), 1),
            'bySlot' => $source->slotPriorities !== '',
            'lastResort' => $source->lastResort,
            'preview' => $source->preview,
            'heardAgo' => self::ago($source->heardAt, $now),
        ];
    }

    /** @return array<string, mixed> routes and copies, as one source of ours */
    private static function ours(Contributor $layer): array
    {
        $isLayer = $layer instanceof Layer;

        return [
            'name' => $isLayer ? implode(', ', self::firstNames($layer)) : $layer->name,
            'protocol' => 'our own',
            'port' => '',
            'address' => '',
            'priority' => $isLayer ? $layer->priority : null,
            'slots' => $isLayer ? 512 - substr_count($layer->mask, "\0") : 0,
            'frames' => 0,
            'outOfOrder' => 0,
            'lost' => 0,
            'rate' => null,
            'gap' => 0,
            'jitter' => 0,
            'bySlot' => false,
            'lastResort' => false,
            'preview' => false,
            'heardAgo' => null,
        ];
    }

    /** @return list<string> */
    private static function firstNames(Layer $layer): array
    {
        $names = array_column($layer->all(), 'name');
        $more = \count($names) - self::MOST_NAMES;

        return $more > 0 ? [...\array_slice($names, 0, self::MOST_NAMES), "{$more} more"] : $names;
    }

    /** @return list<array<string, mixed>> */
    private function holds(int $now): array
    {
        $holds = [];
        foreach ($this->junction->universes() as $universe) {
            foreach ($universe->holds() as $hold) {
                $holds[] = ['universe' => $universe->id, 'slot' => $hold->slot + 1, 'level' => $hold->level, 'by' => $hold->by, 'left' => intdiv($hold->until - $now, 1_000_000_000)];
            }
        }

        return $holds;
    }
}
