<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Signal\Frame;

/** Which slots of a fixture mean what, in one of its modes: every parameter at its place, cells written out. */
final readonly class Footprint
{
    /** More than there are slots in two universes are not written out: it is refused anyway. */
    private const MOST = 1024;

    /** Slots that it takes, with gaps, if there are any. */
    public int $slots;

    /** @var array<string, Placed> by key; of two with one key the first; with the virtual intensity, if it has one */
    public array $byKey;

    /** @var string one byte a slot: 255 where the latest takes precedence */
    public string $latest;

    /** @var string one byte a slot: the levels of all defaults */
    public string $defaults;

    /** @var string one byte a slot: 255 where nothing may be driven */
    public string $never;

    /** @var list<list<int>> slots from 0 of every parameter that takes several, the coarsest first */
    public array $wide;

    /**
     * @param list<Placed> $placed
     * @param bool $isDimmed whether its lights have a virtual intensity
     */
    private function __construct(public array $placed, private bool $isDimmed)
    {
        $byKey = $wide = [];
        $last = 0;
        foreach ($placed as $one) {
            $byKey[$one->key] ??= $one;
            $last = max($last, ...$one->slots);
        }
        $latest = $defaults = $never = str_repeat("\0", $last);
        foreach ($placed as $one) {
            $parameter = $one->parameter;
            $isLatest = ! $parameter->precedence->takesHighest($parameter->kind);
            $levels = $parameter->slots($parameter->default);
            foreach ($one->slots as $i => $slot) {
                $latest[$slot - 1] = $isLatest ? "\xFF" : "\0";
                $never[$slot - 1] = $parameter->neverDriven ? "\xFF" : "\0";
                $defaults[$slot - 1] = \chr($levels[$i] ?? 0);
            }
            if (\count($one->slots) > 1) {
                $wide[] = array_map(static fn(int $slot): int => $slot - 1, $one->slots);
            }
        }
        $this->slots = $last;
        if ($isDimmed && $last > 0) {
            $byKey += [Intensities::KEY => Intensities::placed($last)];
        }
        $this->byKey = $byKey;
        $this->latest = $latest;
        $this->defaults = $defaults;
        $this->never = $never;
        $this->wide = $wide;
    }

    /**
     * @param list<Parameter> $parameters
     * @param list<Cells> $cells
     */
    public static function of(array $parameters, array $cells = [], bool $isDimmed = false): self
    {
        $placed = [];
        $last = 0;
        foreach (self::places($parameters) as $i => $slots) {
            $placed[] = new Placed($parameters[$i]->key, $parameters[$i]->name, $parameters[$i], $slots, "parameters/{$i}");
            $last = max($last, ...$slots);
        }
        foreach ($cells as $k => $block) {
            $places = self::places($block->parameters);
            foreach ($block->starts($last + 1) as $number => $start) {
                if (\count($placed) > self::MOST) {
                    break;
                }
                foreach ($places as $i => $slots) {
                    $parameter = $block->parameters[$i];
                    $own = array_map(static fn(int $slot): int => $start - 1 + $slot, $slots);
                    $place = $number + 1;
                    $placed[] = new Placed(
                        "{$block->id}-{$place}/{$parameter->key}",
                        "{$block->name} {$place} {$parameter->name}",
                        $parameter,
                        $own,
                        "cells/{$k}/parameters/{$i}",
                    );
                    $last = max($last, ...$own);
                }
            }
        }

        return new self($placed, $isDimmed);
    }

    /** @param list<Parameter> $parameters */
    public static function widthOf(array $parameters): int
    {
        return max([0, ...array_merge(...self::places($parameters))]);
    }

    public function find(string $key): ?Placed
    {
        return $this->byKey[$key] ?? null;
    }

    public function check(Fields $fields): void
    {
        $named = $taken = [];
        foreach ($this->placed as $one) {
            if (isset($named[$one->key])) {
                $fields->fault(
                    "{$one->path}/name",
                    "\"{$one->key}\" is there twice",
                    'Every parameter needs a name of its own, like "pan" and "tilt".',
                );
            }
            $named[$one->key] = true;
            foreach ($one->slots as $slot) {
                if (isset($taken[$slot])) {
                    $at = $one->parameter->at === [] && str_starts_with($one->path, 'cells/')
                        ? explode('/parameters', $one->path)[0].'/at'
                        : "{$one->path}/at";
                    $fields->fault(
                        $at,
                        "slot {$slot} belongs to \"{$taken[$slot]}\" already",
                        'Every slot of a fixture belongs to one parameter.',
                    );

                    return;
                }
                $taken[$slot] = $one->name;
            }
        }
        if ($this->placed === []) {
            $fields->fault('parameters', 'there are none', 'Give at least one parameter.');
        }
        if ($this->isDimmed) {
            $this->checkLights($fields, isset($named[Intensities::KEY]));
        }
        if ($this->slots > Frame::SLOTS) {
            $fields->fault('parameters', "they take {$this->slots} slots", 'A universe has 512.');
        }
    }

    private function checkLights(Fields $fields, bool $isNameTaken): void
    {
        $dimmers = array_filter($this->placed, static fn(Placed $one): bool => $one->parameter->role === Role::Dimmer);
        if ($dimmers !== [] || $isNameTaken) {
            $fields->fault(
                'virtualIntensity',
                'it has an intensity of its own',
                'A virtual one is for fixtures that have only colours.',
            );
        } elseif (array_filter($this->placed, static fn(Placed $one): bool => $one->isLight()) === []) {
            $fields->fault(
                'virtualIntensity',
                'it has no lights that could be scaled',
                'Give parameters the roles red, green, blue or another light.',
            );
        }
    }

    /**
     * The slots of each parameter: those that it names, or the next ones that are free.
     *
     * @param list<Parameter> $parameters
     *
     * @return list<non-empty-list<int>> from 1, the coarsest first
     */
    private static function places(array $parameters): array
    {
        $taken = [];
        foreach ($parameters as $parameter) {
            $taken += array_fill_keys($parameter->at, true);
        }
        $places = [];
        $next = 1;
        foreach ($parameters as $parameter) {
            if ($parameter->at !== []) {
                $places[] = $parameter->at;

                continue;
            }
            $own = range($next, $next + $parameter->width - 1);
            while (array_intersect_key($taken, array_flip($own)) !== []) {
                ++$next;
                $own = range($next, $next + $parameter->width - 1);
            }
            $places[] = $own;
            $next += $parameter->width;
        }

        return $places;
    }
}
