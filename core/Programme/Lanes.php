<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Universe\Rules;

/** What values of points are in the universes of now: groups are their members, slots of a parameter are the parameter. */
final class Lanes
{
    /** @var array<string, string> 512 bytes: where the latest takes precedence, by universe */
    private array $latest = [];

    /** @var array<string, Lane> by key */
    private array $lanes = [];

    /** @var \WeakMap<PointValue, array<string, Target>> what values of the show are, as long as it is that of now */
    private readonly \WeakMap $known;

    /**
     * @param array<string, Rules> $rules by universe
     * @param array<string, true> $raw universes whose slots are intensities where nothing is known to listen
     */
    public function __construct(
        private readonly Patch $patch = new Patch([], []),
        private readonly array $rules = [],
        private readonly array $raw = [],
    ) {
        $this->known = new \WeakMap();
    }

    /**
     * Whether all that these are made of is still the same.
     *
     * @param array<string, Rules> $rules by universe
     * @param array<string, true> $raw
     */
    public function areOf(Patch $patch, array $rules, array $raw): bool
    {
        return $this->patch->fixtures === $patch->fixtures && $this->patch->profiles === $patch->profiles
            && $this->patch->groups->groups === $patch->groups->groups && $this->rules === $rules && $this->raw === $raw;
    }

    /**
     * @param list<PointValue> $values later ones count where they are of the same parameter
     *
     * @return array<string, Target> by key of the lane; what is nowhere now is left out
     */
    public function targets(array $values): array
    {
        $targets = [];
        foreach ($values as $one) {
            foreach ($this->known[$one] ?? $this->aimsOf($one) as $key => $target) {
                $targets[$key] = $target;
            }
        }

        return $targets;
    }

    /**
     * What these values name is looked up before anybody recalls it.
     *
     * @param list<PointValue> $values
     */
    public function prepare(array $values): void
    {
        foreach ($values as $one) {
            $this->known[$one] ??= $this->aimsOf($one);
        }
    }

    /** @return array<string, Target> by key of the lane */
    private function aimsOf(PointValue $value): array
    {
        $targets = [];
        foreach ($value->isGiven() && is_numeric($value->value) ? $this->of($value->point) : [] as $key) {
            $lane = $this->lane($key);
            if ($lane !== null) {
                $targets[$lane->key] = new Target($lane, self::value($lane, $value->point, (float) $value->value));
            }
        }

        return $targets;
    }

    /** What a key is now; null where it is nowhere. */
    public function lane(string $key): ?Lane
    {
        if (isset($this->lanes[$key])) {
            return $this->lanes[$key];
        }
        $reference = Reference::parse($key);
        $lane = match ($reference?->kind) {
            'fixture' => $this->ofParameter($key, $reference->id, $reference->part),
            'slot' => $this->ofSlot($key, $reference),
            default => null,
        };
        if ($lane !== null) {
            $this->lanes[$key] = $lane;
        }

        return $lane;
    }

    /** @return list<Lane> what a point stands for, in its order */
    public function named(Reference $point): array
    {
        return array_values(array_filter(array_map($this->lane(...), $this->of($point))));
    }

    /** @return list<string> keys of what a point stands for */
    private function of(Reference $point): array
    {
        return $point->kind !== 'group' ? [$point->text()] : array_map(
            static fn(string $fixture): string => "fixture:{$fixture}/{$point->part}",
            $this->patch->having($point->id, $point->part),
        );
    }

    private function ofParameter(string $key, string $fixture, string $parameter): ?Lane
    {
        $placement = $this->patch->find($fixture, $parameter);
        $latest = $placement === null ? '' : $this->latest($placement->universeId);

        return $placement === null || $latest === '' || $placement->placed->parameter->neverDriven
            ? null
            : Lane::ofParameter($key, $placement, $latest);
    }

    /** A slot of a parameter is that parameter: what is given by two names is one. */
    private function ofSlot(string $key, Reference $reference): ?Lane
    {
        $slot = $reference->slot();
        $latest = $this->latest($reference->id);
        if ($slot === null || $latest === '') {
            return null;
        }
        foreach ($this->patch->at($reference->id, $slot + 1) as [$fixture, $placed]) {
            if (
                ! $placed->isVirtual
                && isset($this->patch->fixtures[$fixture->id])
                && $this->patch->find($fixture->id, $placed->key)?->slots[0] === $slot
            ) {
                return $this->lane("fixture:{$fixture->id}/{$placed->key}");
            }
        }
        $isFiner = ($this->rules[$reference->id]->wide->coarse($slot)) !== $slot;

        return $isFiner ? null : Lane::ofSlot($key, $reference->id, $slot, isset($this->raw[$reference->id]), $latest);
    }

    /** @param float $value in the unit of what was named: a slot has its level, whatever lies there */
    private static function value(Lane $lane, Reference $named, float $value): int
    {
        if ($named->kind === 'slot' || $lane->parameter === null) {
            return intdiv((int) floor(max(0.0, min(255.0, $value)) + 0.5) * $lane->highest, 255);
        }

        return $lane->parameter->value($lane->parameter->shareOf($value));
    }

    /** @return string 512 bytes; '' where there is no such universe */
    private function latest(string $universeId): string
    {
        return $this->latest[$universeId] ??= isset($this->rules[$universeId]) ? $this->rules[$universeId]->latestMask() : '';
    }
}
