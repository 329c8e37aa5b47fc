<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Trace\Event;
use NimbleJunction\Core\Trace\Kind;
use NimbleJunction\Core\Trace\Step;
use NimbleJunction\Core\Trace\Trace;

/** People's hands on universes: what they hold and release, told to the trace. */
final readonly class Hands
{
    public function __construct(private Trace $trace)
    {
    }

    /**
     * @param string $name of the universe
     * @param non-empty-list<Hold> $holds all by one person and until one time
     */
    public function hold(Universe $universe, string $name, array $holds, int $now): Event
    {
        $first = $holds[0];
        $from = \ord($universe->levels[$first->slot]);
        $levels = implode(', ', array_unique(array_map(static fn(Hold $hold): int => $hold->level, $holds)));
        $slots = self::slots($first->slot, $holds[\count($holds) - 1]->slot);
        $event = $this->trace->begin(Kind::Hold, "hold {$universe->id}", '', "{$first->by} holds {$slots} of {$name} at {$levels}", $now);
        $this->trace->hop($event, Step::Changed, "from {$from} to {$first->level}");
        $universe->hold(...$holds);

        return $event;
    }

    /**
     * @param string $name of the universe
     * @param int|null $first 0 to 511; null for all
     * @param int|null $last 0 to 511; null for $first alone
     */
    public function release(Universe $universe, string $name, ?int $first, ?int $last, string $by, int $now): Event
    {
        $what = $first === null ? 'all slots' : self::slots($first, $last ?? $first);
        $event = $this->trace->begin(Kind::Hold, "hold {$universe->id}", '', "{$by} releases {$what} of {$name}", $now);
        $universe->release($first, $last);
        $this->trace->hop($event, Step::Changed, 'the sources have it again');

        return $event;
    }

    private static function slots(int $first, int $last): string
    {
        return $first === $last ? 'slot '.($first + 1) : 'slots '.($first + 1).' to '.($last + 1);
    }
}
