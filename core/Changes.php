<?php

declare(strict_types=1);

namespace NimbleJunction\Core;

use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Port\Outputs;
use NimbleJunction\Core\Route\Routing;
use NimbleJunction\Core\Scope\Probes;
use NimbleJunction\Core\Trace\Event;
use NimbleJunction\Core\Universe\Universe;
use NimbleJunction\Core\Universe\Universes;

/** What other levels of a universe bring with them: outputs are offered them, routes look, copies follow, the scope draws. */
final class Changes
{
    private Plan $plan;

    public function __construct(
        private readonly Universes $universes,
        private readonly Routing $routing,
        private readonly Outputs $outputs,
        private readonly Probes $probes,
    ) {
        $this->plan = Plan::empty();
    }

    public function adopt(Plan $plan): void
    {
        $this->plan = $plan;
    }

    /**
     * @param string $before 512 bytes: its levels until now
     * @param Event|null $event what the change comes of, for the trace
     */
    public function spread(Universe $universe, string $before, ?Event $event, int $now): void
    {
        $this->routing->changed($universe, $before);
        if ($event !== null && $universe->levels !== $before) {
            $this->outputs->await($universe->id, $event);
        }
        $this->probes->levels($universe->id, $universe->levels, $now);
        $this->outputs->offer($universe, $now);
        $this->copy($universe, $now);
    }

    /** Parts of a universe that are carried elsewhere; ranges never run in a circle, a show that does is refused. */
    public function copy(Universe $universe, int $now): void
    {
        foreach ($this->plan->copies[$universe->id] ?? [] as $copy) {
            $target = $this->universes->find($copy->toUniverse);
            if ($target !== null && $universe->spoken) {
                $before = $target->levels;
                if ($this->universes->setSparse($target, "range {$copy->id}", "Range \"{$copy->name}\"", $copy->of($universe->levels), $now)) {
                    $this->spread($target, $before, null, $now);
                }
            }
        }
    }

    /** What time has ended: sources that were not heard, holds, fades that go on. */
    public function expire(int $now): void
    {
        $before = array_map(static fn(Universe $universe): string => $universe->levels, $this->universes->all());
        foreach ($this->universes->expire($now) as $id) {
            $universe = $this->universes->find($id);
            if ($universe !== null) {
                $this->spread($universe, $before[$id] ?? $universe->levels, null, $now);
            }
        }
    }
}
