<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Merge\Bytes;
use NimbleJunction\Core\Merge\WideParameters;
use NimbleJunction\Core\Patch\Intensities;

/**
 * Fixtures that have only colours, as bright as their virtual intensities say: every light of theirs is scaled, after
 * merging. What is held by hand is above all that: it is scaled by an intensity that is held by hand as well.
 */
final class Dimming
{
    /** From so many lights on that are scaled alike a table costs less than each of them. */
    private const MANY = 8;

    /**
     * @var array<int, list<list<int>>> slots of the lights that are scaled, the coarsest first, by the coarsest slot of the
     * intensity
     */
    private array $lights = [];

    /** @var array<int, array{list<int>, string}> slots of each intensity, and its fixture's name */
    private array $intensities = [];

    /** @var array<int, float> 0 to 1 by slot of the intensity: those that are not full */
    private array $shares = [];

    /** @var array<int, float> those of them that are held by hand, and full ones that are */
    private array $held = [];

    /**
     * @var list<array{string, string}> lights of one slot that are scaled alike: what each of 256 levels becomes, and 512
     * bytes, 255 in their slots
     */
    private array $tables = [];

    /** @var list<array{list<int>, float}> all other lights that are scaled, and by how much */
    private array $others = [];

    public function __construct(Intensities $intensities)
    {
        $taken = [];
        foreach ($intensities->placements as $placement) {
            $at = $placement->slots[0];
            $this->intensities[$at] ??= [$placement->slots, $placement->fixture->name];
            foreach ($intensities->lights($placement) as $light) {
                if (array_intersect_key($taken, array_flip($light)) === []) {
                    $this->lights[$at][] = $light;
                    $taken += array_fill_keys($light, true);
                }
            }
        }
    }

    /** Nothing where all fixtures have an intensity of their own, or none: then there is no such stage. */
    public static function of(Intensities $intensities): ?self
    {
        return $intensities->placements === [] ? null : new self($intensities);
    }

    /**
     * @param string $levels 512 bytes: the intensities, each in its slots
     * @param array<int, Hold> $holds on those slots
     */
    public function use(string $levels, array $holds): void
    {
        $this->shares = $this->held = $this->tables = $this->others = [];
        $isFull = $levels === Bytes::$all;
        foreach ($isFull && $holds === [] ? [] : $this->intensities as $at => [$slots]) {
            $value = 0;
            foreach ($slots as $slot) {
                $value = $value << 8 | \ord($levels[$slot]);
            }
            $share = $value / (256 ** \count($slots) - 1);
            if (isset($holds[$at])) {
                $this->held[$at] = $share;
            }
            if ($share < 1.0) {
                $this->shares[$at] = $share;
            }
        }
        $this->group();
    }

    /**
     * @param string $levels 512 bytes: what is asked for
     *
     * @return string 512 bytes
     */
    public function apply(string $levels): string
    {
        $scaled = $levels;
        foreach ($this->tables as [$table, $mask]) {
            $scaled = Bytes::laid($scaled, strtr($levels, Bytes::$every, $table), $mask);
        }
        foreach ($this->others as [$light, $share]) {
            $scaled = self::scaled($scaled, $light, $share);
        }

        return $scaled;
    }

    /** Many lights that are scaled alike are scaled in one: fixtures of a group go up and down together. */
    private function group(): void
    {
        $groups = $shares = [];
        foreach ($this->shares as $at => $share) {
            $shares[(string) $share] = $share;
            foreach ($this->lights[$at] ?? [] as $light) {
                if (\count($light) === 1) {
                    $groups[(string) $share][] = $light;
                } else {
                    $this->others[] = [$light, $share];
                }
            }
        }
        foreach ($groups as $key => $lights) {
            $share = $shares[$key];
            if (\count($lights) < self::MANY) {
                foreach ($lights as $light) {
                    $this->others[] = [$light, $share];
                }

                continue;
            }
            $table = '';
            for ($level = 0; $level < 256; ++$level) {
                $table .= \chr((int) round($level * $share));
            }
            $this->tables[] = [$table, Bytes::mask(array_merge(...$lights))];
        }
    }

    /**
     * @param string $levels 512 bytes: with what is held in its slots
     * @param array<int, Hold> $holds by slot
     *
     * @return string 512 bytes
     */
    public function applyHeld(string $levels, array $holds): string
    {
        foreach ($holds === [] ? [] : $this->held as $at => $share) {
            foreach ($this->lights[$at] ?? [] as $light) {
                if (isset($holds[$light[0]])) {
                    $levels = self::scaled($levels, $light, $share);
                }
            }
        }

        return $levels;
    }

    /** How a slot is scaled, in words; '' for not at all. */
    public function explain(int $slot): string
    {
        foreach ($this->shares as $at => $share) {
            foreach ($this->lights[$at] ?? [] as $light) {
                if (\in_array($slot, $light, true)) {
                    return 'Scaled to '.round(100 * $share, 1)." %, the intensity of {$this->intensities[$at][1]}.";
                }
            }
        }

        return '';
    }

    /** @param list<int> $light its slots, the coarsest first */
    private static function scaled(string $levels, array $light, float $share): string
    {
        if (\count($light) === 1) {
            $levels[$light[0]] = \chr((int) round(\ord($levels[$light[0]]) * $share));

            return $levels;
        }
        $value = 0;
        foreach ($light as $slot) {
            $value = $value << 8 | \ord($levels[$slot]);
        }

        return WideParameters::lay($levels, $light, (int) round($value * $share));
    }
}
