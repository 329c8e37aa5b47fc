<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface;

use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Point\Reference;

/** Somebody's hand on a control: through it a control sees and moves what it is bound to. */
final class Hand
{
    /** Per cent, degrees and levels of slots are read without digits behind the point. */
    private const WHOLE = 90.0;
    private const MOST_WHOLE = 1000.0;

    /**
     * @param string $name of who moves it, for people
     * @param array<string, int|float|string> $own what the control keeps itself, by part: for what is bound to nothing
     */
    public function __construct(
        private readonly Points $points,
        public readonly Control $control,
        private readonly string $name,
        private readonly int $now,
        public readonly Patch $patch,
        public array $own = [],
    ) {
    }

    public function read(Reference $point): int|float|string|null
    {
        return $this->points->read($point);
    }

    public function describe(Reference $point): ?Point
    {
        return $this->points->describe($point);
    }

    /** @return float|null how far along its way a bound point is, 0 to 1 */
    public function share(Binding $binding): ?float
    {
        $point = $this->points->describe($binding->point);

        return $point === null ? null : $binding->share($this->points->read($binding->point), $point);
    }

    /**
     * Where an axis is: where its first point is, or, bound to nothing, where it was left.
     *
     * @param list<Binding> $bindings
     */
    public function at(array $bindings, string $part): ?float
    {
        $kept = $this->own[$part] ?? 0.0;

        return $bindings === [] ? (is_numeric($kept) ? (float) $kept : 0.0) : $this->share($bindings[0]);
    }

    /**
     * All points of an axis go to where it is now; bound to nothing, it stays there itself.
     *
     * @param list<Binding> $bindings
     * @param float $share 0 to 1
     *
     * @return string why not; '' when it is done
     */
    public function bring(array $bindings, string $part, float $share): string
    {
        $share = max(0.0, min(1.0, $share));
        if ($bindings === []) {
            $this->own[$part] = $share;
        }
        $refusals = [];
        foreach ($bindings as $binding) {
            $point = $this->points->describe($binding->point);
            $refusals[] = $point === null
                ? "there is no point {$binding->point->text()}"
                : $this->set($binding->point, $binding->value($share, $point));
        }

        return implode('; ', array_unique(array_filter($refusals)));
    }

    /** @return string why not; '' when it is done */
    public function set(Reference $point, int|float|string $value): string
    {
        return $this->points->set($point, $value, $this->act($point), $this->now);
    }

    /** @return string why not; '' when it is done */
    public function press(Reference $point): string
    {
        return $this->points->press($point, $this->act($point), $this->now);
    }

    /** What a point is, in words: "43 %", "on", "spot". '' where it has no value now. */
    public function words(Reference $reference): string
    {
        $point = $this->points->describe($reference);
        $value = $this->points->read($reference);
        if ($point === null || $value === null) {
            return '';
        }
        if ($point->kind === PointKind::Switch) {
            return is_numeric($value) && (float) $value > 0.0 ? 'on' : 'off';
        }
        if (! is_numeric($value) || $point->kind === PointKind::Text) {
            return (string) $value;
        }
        foreach ($point->ranges as [$from, $to, $name]) {
            if ((float) $value >= $from && (float) $value <= $to) {
                return $name;
            }
        }
        $unit = $this->control->unit !== '' ? $this->control->unit : $point->unit;
        return self::number((float) $value, abs($point->high - $point->low)).($unit === '' ? '' : " {$unit}");
    }

    /** All controls that move one point are one owner of it, so that the last hand has it. */
    private function act(Reference $point): Act
    {
        return new Act(Surfaces::owner($point), $this->name);
    }

    /** As many digits as the size of the number asks for; none where its range goes by whole ones. */
    private static function number(float $value, float $span): string
    {
        $isWhole = $span >= self::WHOLE && $span <= self::MOST_WHOLE;
        $digits = match (true) {
            $isWhole || abs($value) >= 100 => 0,
            abs($value) >= 10 => 1,
            default => 2,
        };
        $text = number_format($value, $digits, '.', '');

        return $digits === 0 ? $text : rtrim(rtrim($text, '0'), '.');
    }
}
