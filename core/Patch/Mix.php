<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

/**
 * A colour as the parameters of a fixture make it: with lights of its own, the white taken out of red, green and blue where
 * it has one; with filters, what they take away; with a wheel, the place that comes nearest (common practice, no source).
 * Levels go as the colour's own numbers do, without a curve.
 */
final readonly class Mix
{
    /** @param float $red 0 to 1 */
    public function __construct(private float $red, private float $green, private float $blue)
    {
    }

    /** @param string $colour "#rrggbb" */
    public static function of(string $colour): self
    {
        return new self(...array_map(static fn(int $at): float => hexdec(substr($colour, $at, 2)) / 255, [1, 3, 5]));
    }

    /** @return array<int|string, int> value by key, of every parameter that makes a colour */
    public function values(Footprint $footprint): array
    {
        $whites = [];
        foreach ($footprint->byKey as $key => $placed) {
            $whites[self::cell((string) $key)] ??= false;
            $whites[self::cell((string) $key)] = $whites[self::cell((string) $key)] || $placed->parameter->role === Role::White;
        }
        $values = [];
        foreach ($footprint->byKey as $key => $placed) {
            $parameter = $placed->parameter;
            $share = $parameter->neverDriven ? null : $this->share($parameter->role, $whites[self::cell((string) $key)]);
            if ($share !== null) {
                $values[$key] = $parameter->value($share);
            } elseif ($parameter->role === Role::ColourWheel && ! $parameter->neverDriven) {
                $place = $this->nearest($parameter);
                $values += $place === null ? [] : [$key => $place];
            }
        }

        return $values;
    }

    private function share(?Role $role, bool $hasWhite): ?float
    {
        $white = $hasWhite ? min($this->red, $this->green, $this->blue) : 0.0;

        return match ($role) {
            Role::Red => $this->red - $white,
            Role::Green => $this->green - $white,
            Role::Blue => $this->blue - $white,
            Role::White => $white,
            Role::WarmWhite, Role::ColdWhite, Role::Amber, Role::Lime, Role::Ultraviolet => 0.0,
            Role::Cyan => 1 - $this->red,
            Role::Magenta => 1 - $this->green,
            Role::Yellow => 1 - $this->blue,
            default => null,
        };
    }

    private function nearest(Parameter $wheel): ?int
    {
        $best = null;
        $least = \PHP_FLOAT_MAX;
        foreach ($wheel->ranges as $range) {
            if ($range->colour === '') {
                continue;
            }
            $other = self::of($range->colour);
            $far = ($this->red - $other->red) ** 2 + ($this->green - $other->green) ** 2 + ($this->blue - $other->blue) ** 2;
            if ($far < $least) {
                [$best, $least] = [$range, $far];
            }
        }

        return $best === null ? null : intdiv($best->first + $best->last, 2);
    }

    /** The cell that a parameter belongs to; '' for the fixture as a whole. */
    private static function cell(string $key): string
    {
        return str_contains($key, '/') ? explode('/', $key)[0] : '';
    }
}
