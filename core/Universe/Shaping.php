<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Merge\Bytes;
use NimbleJunction\Core\Merge\WideParameters;

/**
 * What happens to a universe's levels on the way out: curves, inversion and
 * limits. A single slot goes by a table of 256 levels, a wide parameter by its
 * whole value, under the entry that its coarsest slot lies in.
 */
final class Shaping
{
    /** @var array<int, ShapeEntry> by slot: the one that counts there */
    private array $shapes = [];

    /** @var array<int, string> 256 bytes each, by the place in the list of shapes */
    private array $tables = [];

    /** @var list<array{list<int>, ShapeEntry}> wide parameters that are shaped, and how */
    private array $wideShapes = [];

    private string $given = '';
    private string $made = '';

    /** @param list<ShapeEntry> $entries where two name a slot the later one counts */
    public function __construct(private readonly array $entries, private readonly WideParameters $wide = new WideParameters())
    {
        foreach ($entries as $place => $shape) {
            $this->tables[$place] = self::table($shape);
            for ($slot = $shape->first - 1; $slot < $shape->last; ++$slot) {
                $this->shapes[$slot] = $shape;
            }
        }
        foreach ($wide->all() as $slots) {
            if (isset($this->shapes[$slots[0]])) {
                $this->wideShapes[] = [$slots, $this->shapes[$slots[0]]];
            }
        }
    }

    /** @param string $levels 512 bytes */
    public function apply(string $levels): string
    {
        if ($levels === $this->given) {
            return $this->made;
        }
        $made = $levels;
        foreach ($this->entries as $place => $shape) {
            $length = $shape->last - $shape->first + 1;
            $run = strtr(substr($levels, $shape->first - 1, $length), Bytes::$every, $this->tables[$place]);
            $made = substr_replace($made, $run, $shape->first - 1, $length);
        }
        if (! $this->wide->areNone()) {
            $made = $this->applyWide($levels, Bytes::laid($made, $levels, $this->wide->mask));
        }
        $this->given = $levels;

        return $this->made = $made;
    }

    /**
     * What happens to a slot, in words; '' for nothing.
     *
     * @param int $slot 0 to 511
     * @param int $value what is asked for: of a wide parameter the whole value
     */
    public function explain(int $slot, int $value): string
    {
        $slots = $this->wide->slots($slot);
        $shape = $this->shapes[$slots[0]] ?? null;
        if ($shape === null) {
            return '';
        }
        $out = self::shaped($shape, $value, \count($slots));
        $what = array_filter([
            $shape->curve === Curve::Linear ? '' : "{$shape->curve->value} curve",
            $shape->inverted ? 'inverted' : '',
            $shape->low > 0 || $shape->high < 255 ? "kept from {$shape->low} to {$shape->high}" : '',
        ]);

        return 'On the way out: '.implode(', ', $what)." ({$value} becomes {$out}).";
    }

    /** What did not move stays as it was made the last time. */
    private function applyWide(string $levels, string $made): string
    {
        $given = $this->given;
        foreach ($this->wideShapes as [$slots, $shape]) {
            $isAsBefore = $given !== '';
            foreach ($slots as $slot) {
                $isAsBefore = $isAsBefore && $levels[$slot] === $given[$slot];
            }
            if ($isAsBefore) {
                foreach ($slots as $slot) {
                    $made[$slot] = $this->made[$slot];
                }
            } else {
                $value = self::shaped($shape, $this->wide->value($levels, $slots[0]), \count($slots));
                $made = WideParameters::lay($made, $slots, $value);
            }
        }

        return $made;
    }

    /** @return string the level that each of 256 levels becomes */
    private static function table(ShapeEntry $shape): string
    {
        $table = '';
        for ($level = 0; $level < 256; ++$level) {
            $table .= \chr(self::shaped($shape, $level, 1));
        }

        return $table;
    }

    /** @param int $width slots, 1 to 4; limits are levels of a slot, and as far up the whole value */
    private static function shaped(ShapeEntry $shape, int $value, int $width): int
    {
        $most = 256 ** $width - 1;
        $unit = intdiv($most, 255);
        $made = $shape->curve->apply($value / $most);
        $made = (int) round($most * ($shape->inverted ? 1 - $made : $made));

        return max($shape->low * $unit, min($shape->high * $unit, $made));
    }
}
