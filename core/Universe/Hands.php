<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Trace\Event;
use NimbleJunction\Core\Trace\Kind;
use NimbleJunction\Core\Trace\Said;
use NimbleJunction\Core\Trace\Step;
use NimbleJunction\Core\Trace\Trace;

/** People's hands on universes: what they hold and release, told to the trace. */
final readonly class Hands
{
    public function __construct(private Trace $trace)
    {
    }

    /** @param non-empty-list<Hold> $holds all by one person and until one time */
    public function hold(Universe $universe, array $holds, int $now): Event
    {
        $first = $holds[0];
        $from = \ord($universe->levels[$first->slot]);
        $levels = implode(', ', array_unique(array_map(static fn(Hold $hold): int => $hold->level, $holds)));
        $title = new Said(
            '{name} holds {run} at {levels}',
            [
                'name' => $first->by,
                'run' => self::run($universe, $first->slot, $holds[\count($holds) - 1]->slot),
                'levels' => $levels,
            ],
        );
        $event = $this->trace->begin(Kind::Hold, "hold {$universe->id}", '', $title, $now);
        $this->trace->hop(
            $event,
            Step::Changed,
            new Said('from {before} to {level}', ['before' => $from, 'level' => $first->level]),
        );
        $universe->hold(...$holds);

        return $event;
    }

    /**
     * @param int|null $first 0 to 511; null for all
     * @param int|null $last 0 to 511; null for $first alone
     * @param bool $onlyOwn what others hold stays held
     *
     * @return Event|null null where there is nothing to let go
     */
    public function release(Universe $universe, ?int $first, ?int $last, string $by, int $now, bool $onlyOwn = false): ?Event
    {
        $own = array_keys(array_filter($universe->wayOut()->holds(), static fn(Hold $hold): bool => $hold->by === $by));
        $meant = $first === null ? $own : array_values(array_intersect($own, range($first, $last ?? $first)));
        if ($onlyOwn ? $meant === [] : $universe->wayOut()->holds() === []) {
            return null;
        }
        $what = $first === null ? 'all slots of {universe}' : '{run}';
        $words = $onlyOwn ? "{name} releases what {name} held in {$what}" : "{name} releases {$what}";
        $run = self::run($universe, $first ?? 0, $last ?? $first ?? 0);
        $title = new Said($words, ['name' => $by, 'run' => $run, 'universe' => $universe->id]);
        $event = $this->trace->begin(Kind::Hold, "hold {$universe->id}", '', $title, $now);
        foreach ($onlyOwn ? self::runs($meant) : [[$first, $last]] as [$from, $to]) {
            $universe->release($from, $to);
        }
        $this->trace->hop($event, Step::Changed, 'the sources have it again');

        return $event;
    }

    /**
     * @param list<int> $slots
     *
     * @return list<array{int, int}> first and last of each run
     */
    private static function runs(array $slots): array
    {
        sort($slots);
        $runs = [];
        foreach ($slots as $slot) {
            [$first, $last] = array_pop($runs) ?? [$slot, $slot];
            if ($slot <= $last + 1) {
                $runs[] = [$first, $slot];
            } else {
                array_push($runs, [$first, $last], [$slot, $slot]);
            }
        }

        return $runs;
    }

    /** A run of slots for the gap {run}. */
    private static function run(Universe $universe, int $first, int $last): string
    {
        return "{$universe->id} ".($first + 1).' '.($last + 1);
    }
}
