<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Points;

use NimbleJunction\Core\Live\Changes;
use NimbleJunction\Core\Live\Universes;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Universe\Hold;

/** Holds on slots, above all merging: set they hold, pressed they let go. */
final class Held extends PlanRoom
{
    /** A hold that somebody forgets is over after this time. */
    private const HOLD_NANOS = 300_000_000_000;
    /** @param \Closure(): Changes $changes */
    public function __construct(private readonly Universes $universes, private readonly \Closure $changes)
    {
        parent::__construct();
    }

    public function kinds(): array
    {
        return ['hold'];
    }

    public function notice(): Notice
    {
        return Notice::Looked;
    }

    public function describe(Reference $reference): ?Point
    {
        if ($reference->slot() === null || ! isset($this->plan->universes[$reference->id])) {
            return null;
        }

        return new Point(
            $reference,
            "Hold on {$this->plan->universeName($reference->id)}, slot {$reference->part}",
            PointKind::Level,
            0.0,
            255.0,
            isSet: true,
            isPressed: true,
        );
    }

    /** Its level, or null while nobody holds it. */
    public function read(Reference $reference): ?int
    {
        $slot = $reference->slot();

        return $slot === null ? null : ($this->universes->find($reference->id)?->wayOut()->holds()[$slot] ?? null)?->level;
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $slot = $reference->slot();
        $universe = $this->universes->find($reference->id);
        if ($slot === null || $universe === null || ! is_numeric($value)) {
            return 'a hold is on a slot, at a level from 0 to 255';
        }
        $before = $universe->levels;
        $universe->hold(new Hold($slot, (int) max(0, min(255, round((float) $value))), $act->name, $now + self::HOLD_NANOS));
        ($this->changes)()->note($universe, $before, null);
        ($this->changes)()->lookSoon();
        $this->universes->dueAt = min($this->universes->dueAt, $now + self::HOLD_NANOS);

        return '';
    }

    public function letGo(Reference $reference, string $owner, int $now): string
    {
        return $this->press($reference, new Act($owner, $owner), $now);
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        $slot = $reference->slot();
        $universe = $this->universes->find($reference->id);
        if ($slot === null || $universe === null) {
            return 'there is no such slot';
        }
        $before = $universe->levels;
        $universe->release($slot);
        ($this->changes)()->note($universe, $before, null);
        ($this->changes)()->lookSoon();

        return '';
    }

    public function all(): iterable
    {
        foreach ($this->universes->all() as $id => $universe) {
            foreach (array_keys($universe->wayOut()->holds()) as $slot) {
                $reference = Reference::parse("hold:{$id}/".($slot + 1));
                if ($reference !== null) {
                    yield $reference;
                }
            }
        }
    }
}
