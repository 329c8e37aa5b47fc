<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Recording;

use NimbleJunction\Core\Live\Universes;
use NimbleJunction\Core\Merge\Layer;
use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Universe\Universe;

/** Whether it is a hand that has a point now: somebody holds it, another desk sends it, or a route brings it. */
final class Hands
{
    /** What of our own moves by itself. */
    private const PROGRAMME = ['look ', 'list ', 'wave ', 'route timeline.'];

    /** What a slot says that somebody holds. */
    private const HELD = "\xFF";

    /** @var array<string, string> who leads each slot, by universe, as long as it is the same look */
    private array $winners = [];

    public function __construct(private readonly Points $points, private readonly Universes $universes)
    {
    }

    /** It is looked anew: somebody else may lead now. */
    public function lookAnew(): void
    {
        $this->winners = [];
    }

    /** What it is now: where somebody holds it, that. */
    public function value(Reference $reference): ?float
    {
        $member = $this->points->members($reference)[0] ?? $reference;
        [$id, $slots] = $this->points->slots($member);
        $universe = $this->universes->find($id);
        $isHeld = $universe !== null && $slots !== [] && isset($universe->wayOut()->holds()[$slots[0]]);
        $leaves = $isHeld && \in_array($member->kind, ['fixture', 'pixels'], true)
            ? Reference::parse("{$member->text()}/leaves")
            : null;
        $value = $this->points->read($leaves ?? $reference);

        return is_numeric($value) ? (float) $value : null;
    }

    /** What hangs on no universe is in nobody's hand: who sets it is seen as it is set. */
    public function have(Reference $reference): bool
    {
        foreach ($this->points->members($reference) ?: [$reference] as $member) {
            [$id, $slots] = $this->points->slots($member);
            $universe = $this->universes->find($id);
            if ($universe !== null && $slots !== [] && $this->has($universe, $slots[0])) {
                return true;
            }
        }

        return false;
    }

    private function has(Universe $universe, int $slot): bool
    {
        $this->winners[$universe->id] ??= $universe->winners();
        $winner = $this->winners[$universe->id][$slot];
        $leading = $winner === self::HELD ? null : $universe->control()->leading[\ord($winner) - 1] ?? null;
        if ($leading === null) {
            return $winner === self::HELD;
        }
        $owner = $leading instanceof Layer ? $leading->at($slot)[0]->owner ?? '' : '';
        foreach (self::PROGRAMME as $begins) {
            if (str_starts_with($owner, $begins)) {
                return false;
            }
        }

        return ! $leading instanceof Layer || $owner !== '';
    }
}
