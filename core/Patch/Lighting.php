<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

/**
 * What makes a fixture be seen, from what its profile says: level full, shutter open, white, centred, out of every macro
 * (common practice, no source). What is never driven is left alone.
 */
final class Lighting
{
    /** @return array<int|string, int> value by key of parameter, of those that matter */
    public static function values(Footprint $footprint): array
    {
        $values = [];
        foreach ($footprint->byKey as $key => $placed) {
            $value = $placed->parameter->neverDriven ? null : self::value($placed->parameter);
            if ($value !== null) {
                $values[$key] = $value;
            }
        }

        return $values;
    }

    private static function value(Parameter $parameter): ?int
    {
        $role = $parameter->role;

        return match (true) {
            $role === Role::Shutter, $role === Role::Strobe => self::named($parameter, 'open', 'no ', 'steady') ?? self::whereNothingFlashes($parameter),
            $role === Role::ColourWheel => self::named($parameter, 'open', 'white', 'no ') ?? $parameter->safe,
            $role === Role::Pan, $role === Role::Tilt => $parameter->value(0.5),
            $role?->isEmitter() === true => $parameter->value(1.0),
            $role?->isFilter() === true => $parameter->value(0.0),
            $role === Role::ColourTemperature => $parameter->value(0.5),
            $parameter->kind === ParameterKind::Intensity => $parameter->value(1.0),
            $parameter->kind === ParameterKind::Beam, $parameter->kind === ParameterKind::Control => $parameter->safe,
            default => null,
        };
    }

    /** The middle of the first range whose name begins with one of these words. */
    private static function named(Parameter $parameter, string ...$words): ?int
    {
        foreach ($words as $word) {
            foreach ($parameter->ranges as $range) {
                if (str_starts_with(mb_strtolower($range->name), $word)) {
                    return intdiv($range->first + $range->last, 2);
                }
            }
        }

        return null;
    }

    /** A shutter without ranges is open at its end; a strobe is steady where it does no harm. */
    private static function whereNothingFlashes(Parameter $parameter): int
    {
        return $parameter->role === Role::Shutter ? $parameter->value(1.0) : $parameter->safe;
    }
}
