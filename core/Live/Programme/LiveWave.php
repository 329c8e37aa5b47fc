<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Programme;

use NimbleJunction\Core\Programme\Lane;
use NimbleJunction\Core\Programme\Wave\Wave;

/** A wave at work: how many turns it has made, and its fields as they were set. */
final class LiveWave
{
    private const DEGREES = 360;
    private const PERCENT = 100;

    public bool $isOn = false;

    /** @var array<string, float> fields that were set otherwise than the show says: rate, size, centre, phase */
    public array $set = [];

    /** @var array<string, float> what other waves add to its fields, in per cent */
    public array $modulation = [];

    /** @var list<Lane> what it moves in universes, each with its place in the whole */
    public array $lanes = [];

    /** @var list<int> the place of each lane, from 0 */
    public array $places = [];

    /** @var array<string, int> other points that it moves, with their places */
    public array $points = [];

    public int $count = 0;

    private float $turns = 0.0;
    private float $lastAt = 0.0;

    public function __construct(public Wave $wave)
    {
    }

    /** A field as it was set. */
    public function base(string $field): float
    {
        return $this->set[$field] ?? match ($field) {
            'rate' => $this->wave->rate,
            'size' => $this->wave->size,
            'centre' => $this->wave->centre,
            default => $this->wave->phase,
        };
    }

    /** A field as it is, with what other waves do to it: a rate by so many per cent of itself, all else by so many per cent. */
    public function field(string $field): float
    {
        $added = $this->modulation[$field] ?? 0.0;

        return $field === 'rate' ? max(0.0, $this->base($field) * (1 + $added / self::PERCENT)) : $this->base($field) + $added;
    }

    /** @param float $at seconds, or beats, that its rate goes by: it goes on from where it was */
    public function goOn(float $at): void
    {
        $passed = $at - $this->lastAt;
        $this->lastAt = $at;
        $rate = $this->field('rate');
        $turns = $this->wave->unit === 'beats' ? ($rate > 0.0 ? $passed / $rate : 0.0) : $passed * $rate;
        $this->turns += $turns;
    }

    /** @param float $at as above: it begins anew, or goes on from so many turns */
    public function begin(float $at, float $turns = 0.0): void
    {
        $this->lastAt = $at;
        $this->turns = $turns;
    }

    public function turns(): float
    {
        return $this->turns;
    }

    /** @return float per cent: its value for the one at this place of all that it moves */
    public function value(int $place): float
    {
        $wave = $this->wave;
        $ahead = $this->field('phase') / self::DEGREES - $wave->offset / self::DEGREES * $wave->spread->share(
            $place,
            $this->count,
            $wave->seed,
        );
        $shape = $wave->shape->at($this->turns + $ahead, $wave->width / self::PERCENT, $wave->seed, $wave->points);

        return $this->field('centre') + $this->field('size') * $shape;
    }
}
