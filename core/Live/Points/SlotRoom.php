<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Points;

use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Reference;

/** A room whose points are slots of universes, each by its number. */
abstract class SlotRoom extends PlanRoom
{
    public function notice(): Notice
    {
        return Notice::Levels;
    }

    public function slots(Reference $reference): array
    {
        $slot = $reference->slot();

        return [$reference->id, $slot === null ? [] : [$slot]];
    }

    /** Slots are found by their universe: not each of 512 is a find. */
    public function all(): iterable
    {
        foreach (array_keys($this->plan->universes) as $id) {
            $reference = Reference::parse("{$this->kinds()[0]}:{$id}/1");
            if ($reference !== null) {
                yield $reference;
            }
        }
    }

    /** @return string|null what a slot is called; null where there is none */
    protected function name(Reference $reference): ?string
    {
        $slot = $reference->slot();

        return $slot === null || ! isset($this->plan->universes[$reference->id])
            ? null
            : "{$this->plan->universeName($reference->id)}, slot ".($slot + 1);
    }
}
