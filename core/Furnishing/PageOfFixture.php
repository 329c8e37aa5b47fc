<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Furnishing;

use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Patch\Footprint;
use NimbleJunction\Core\Patch\ParameterKind;
use NimbleJunction\Core\Patch\Placed;
use NimbleJunction\Core\Patch\Role;
use NimbleJunction\Core\Show\Show;

/**
 * A page for a fixture, as its profile has it: a fader for its level, a pad for pan and tilt, a selector for what has named
 * ranges, knobs for the rest.
 */
final readonly class PageOfFixture implements Template
{
    public function __construct(public string $fixture)
    {
    }

    public static function kind(): string
    {
        return 'fixture';
    }

    public static function label(): string
    {
        return 'A page for a fixture';
    }

    public static function fields(): array
    {
        return [new Id('fixture', 'Fixture', 'fixture', true)];
    }

    public function pages(Show $show): array
    {
        $fixture = $show->fixtures[$this->fixture] ?? null;
        $footprint = $fixture === null ? null : $show->patch()->footprint($fixture);
        if ($fixture === null || $footprint === null) {
            return [];
        }
        $laying = new Laying($fixture->name, 8, 6);
        $pan = self::having($footprint, Role::Pan);
        $tilt = self::having($footprint, Role::Tilt);
        $isPad = $pan !== '' && $tilt !== '';
        if ($isPad) {
            $laying->add(
                'position',
                "{$fixture->name} position",
                3,
                3,
                ['kind' => 'pad', 'across' => $this->bound($pan), 'up' => $this->bound($tilt)],
            );
        }
        $rest = array_filter(
            $footprint->byKey,
            static fn(Placed $placed, int|string $key): bool => ! $placed->parameter->neverDriven
                && ! ($isPad && \in_array((string) $key, [$pan, $tilt], true)),
            \ARRAY_FILTER_USE_BOTH,
        );
        // What is as high as the pad stands beside it, then the rest.
        uasort($rest, static fn(Placed $a, Placed $b): int => self::order($a) <=> self::order($b));
        foreach ($rest as $key => $placed) {
            $this->addParameter($laying, (string) $key, $placed);
        }

        return $laying->pages();
    }

    private function addParameter(Laying $laying, string $key, Placed $placed): void
    {
        $id = trim((string) preg_replace('/[^a-z0-9]+/', '-', strtolower($key)), '-') ?: 'parameter';
        if ($placed->parameter->namedRanges() !== []) {
            $laying->add($id, $placed->name, 4, 3, ['kind' => 'selector', 'point' => "fixture:{$this->fixture}/{$key}"]);
        } elseif ($placed->parameter->kind === ParameterKind::Intensity) {
            $laying->add($id, $placed->name, 1, 3, ['kind' => 'fader', 'points' => $this->bound($key)]);
        } else {
            $laying->add($id, $placed->name, 1, 3, ['kind' => 'knob', 'points' => $this->bound($key)]);
        }
    }

    private static function order(Placed $placed): int
    {
        return match (true) {
            $placed->parameter->kind === ParameterKind::Intensity => 0,
            $placed->parameter->namedRanges() !== [] => 3,
            $placed->parameter->kind === ParameterKind::Colour => 1,
            default => 2,
        };
    }

    /** @return string the key of its first parameter with a role; '' for none */
    private static function having(Footprint $footprint, Role $role): string
    {
        foreach ($footprint->byKey as $key => $placed) {
            if ($placed->parameter->role === $role && ! $placed->parameter->neverDriven) {
                return (string) $key;
            }
        }

        return '';
    }

    /** @return list<array{point: string}> */
    private function bound(string $key): array
    {
        return [['point' => "fixture:{$this->fixture}/{$key}"]];
    }
}
