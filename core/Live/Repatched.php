<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Merge\Contribution;
use NimbleJunction\Core\Patch\Footprint;
use NimbleJunction\Core\Patch\Placed;
use NimbleJunction\Core\Patch\Placement;
use NimbleJunction\Core\Pixels\Pixels;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Core\Universe\Universe;

/**
 * Fixtures that lie elsewhere after an edit: what routes give their parameters, and what people hold of them, goes along,
 * so that nobody sees it.
 */
final class Repatched
{
    /** @var list<array{Placement, Placement}> every parameter that has other slots: where it was, and where it is */
    private array $moved = [];

    /**
     * @var list<array{Contribution, ?int, Placement, int}> what owners give to parameters that have moved: with its priority,
     * the new place, its value there
     */
    private array $given = [];

    /** @var array<string, array<string, array<int, true>>> slots that were left by that, by universe and owner */
    private array $left = [];

    /** @var list<array{Placement, list<Hold>}> what people hold of them, in the new slots */
    private array $held = [];

    public static function between(Plan $was, Plan $is): self
    {
        $repatched = new self();
        $repatched->comparePixels($was->pixels, $is->pixels);
        [$before, $after] = [$was->patch, $is->patch];
        $alike = [];
        foreach ($before->fixtures as $id => $fixture) {
            $now = $after->fixtures[$id] ?? null;
            if ($now === null) {
                continue;
            }
            $kinds = "{$fixture->profileId} {$fixture->modeId} {$now->profileId} {$now->modeId}";
            $alike[$kinds] ??= self::places($before->footprint($fixture)) === self::places($after->footprint($now));
            if ($alike[$kinds] && $now->first === $fixture->first && $now->universeId === $fixture->universeId) {
                continue;
            }
            foreach ($before->footprint($fixture)->byKey as $key => $placed) {
                $is = $after->find((string) $id, (string) $key);
                $was = new Placement($fixture, $placed);
                if ($is !== null && ($is->slots !== $was->slots || $now->universeId !== $fixture->universeId)) {
                    $repatched->moved[] = [$was, $is];
                }
            }
        }

        return $repatched;
    }

    /**
     * Takes down what is given and held where they were.
     *
     * @param array<string, Universe> $universes as they were
     * @param array<string, array<string, array<int, true>>> $routeSlots slots that each route sets from now on, by universe
     *                                                                   and owner: who named a slot stays there
     */
    public function takeUp(array $universes, array $routeSlots): void
    {
        foreach ($this->moved as [$was, $is]) {
            $universe = $universes[$was->universeId] ?? null;
            $first = $was->slots[0] ?? null;
            if ($universe === null || $first === null) {
                continue;
            }
            foreach ($universe->layers()->all() as $layer) {
                foreach ($layer->all() as $contribution) {
                    $goesAlong = isset($routeSlots[$is->universeId][$contribution->owner][$is->slots[0]]);
                    if ($goesAlong && $contribution->mask[$first] !== "\0") {
                        $this->given[] = [$contribution, $layer->priority, $is, self::value($was, $is, $contribution->levels)];
                        $this->left[$universe->id] ??= [];
                        $this->left[$universe->id][$contribution->owner] = ($this->left[$universe->id][$contribution->owner] ?? []) + array_fill_keys($was->slots, true);
                    }
                }
            }
            $this->takeUpHolds($universe, $was, $is);
        }
    }

    /**
     * Slots in which owners gave something to a parameter that has moved on.
     *
     * @return array<string, array<int, true>> by owner and slot, 0 to 511
     */
    public function left(string $universeId): array
    {
        return $this->left[$universeId] ?? [];
    }

    /**
     * Puts it down where they are.
     *
     * @param array<string, Universe> $universes as they are
     */
    public function putDown(array $universes): void
    {
        foreach ($this->given as [$contribution, $priority, $is, $value]) {
            $universe = $universes[$is->universeId] ?? null;
            $universe?->layers()
                ->set($contribution->owner, $contribution->name, $is->levels($value), $priority, $contribution->isSet);
        }
        foreach ($this->held as [$is, $holds]) {
            ($universes[$is->universeId] ?? null)?->hold(...$holds);
        }
    }

    /** A pixel is the same one where it has the same number, however it is wired. */
    private function comparePixels(Pixels $before, Pixels $after): void
    {
        foreach ($before->maps as $id => $map) {
            $now = $after->maps[$id] ?? null;
            if (
                $now === null
                || ($now->wiring == $map->wiring && $now->universes === $map->universes && $now->order === $map->order)
            ) {
                continue;
            }
            $places = [];
            foreach ($after->placements((string) $id, '') as $placement) {
                $places[$placement->placed->key] = $placement;
            }
            foreach ($before->placements((string) $id, '') as $was) {
                $is = $places[$was->placed->key] ?? null;
                if ($is !== null && ($is->slots !== $was->slots || $is->universeId !== $was->universeId)) {
                    $this->moved[] = [$was, $is];
                }
            }
        }
    }

    /** @return array<int|string, list<int>> slots by key of parameter */
    private static function places(Footprint $footprint): array
    {
        return array_map(static fn(Placed $one): array => $one->slots, $footprint->byKey);
    }

    /** Holds are let go where it was, before anything is put down elsewhere: two may have changed places. */
    private function takeUpHolds(Universe $universe, Placement $was, Placement $is): void
    {
        $holds = $universe->wayOut()->holds();
        $own = [];
        foreach ($was->slots as $slot) {
            if (! isset($holds[$slot])) {
                return;
            }
            $own[$slot] = $holds[$slot];
        }
        $levels = $universe->levels;
        foreach ($own as $slot => $hold) {
            $levels[$slot] = \chr($hold->level);
        }
        $first = $own[$was->slots[0]];
        $moved = [];
        foreach ($is->levels(self::value($was, $is, $levels)) as $slot => $level) {
            $moved[] = new Hold($slot, $level, $first->by, $first->until, $first->isUnlocked, $first->lights);
        }
        $this->held[] = [$is, $moved];
        foreach ($was->slots as $slot) {
            $universe->release($slot);
        }
    }

    /** @param string $levels 512 bytes: the same number where both have as many bits, or else as far on its way */
    private static function value(Placement $was, Placement $is, string $levels): int
    {
        $value = $was->valueIn($levels);
        $before = $was->placed->parameter;
        $after = $is->placed->parameter;

        return $before->width === $after->width ? $value : $after->value($before->share($value));
    }
}
