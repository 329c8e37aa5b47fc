<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Offer;

use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;

/** How a point is usually offered: what follows from what it is. */
final class Suggested
{
    /** Points of more steps than one slot has values are offered in 16 bits. */
    private const STEPS_OF_A_SLOT = 255.0;

    /** Kinds of points that are slots themselves. */
    private const SLOTS = ['slot', 'hold', 'arriving'];

    /** @return array<string, mixed> a parameter as the document has it */
    public static function of(Point $point): array
    {
        $reference = $point->reference->text();
        $bits = self::isFine($point) ? '16' : '8';
        $isRange = \in_array($point->kind, [PointKind::Level, PointKind::Number], true);
        $functions = match (true) {
            $point->kind === PointKind::Choice && $point->choices !== [] => self::choices($point),
            $point->kind === PointKind::Switch && $point->isSet => [self::level($reference, 0.0, 1.0, true)],
            $point->isSet && $isRange => [self::level($reference, $point->low, $point->high, false)],
            default => [['kind' => PressFunction::kind(), 'point' => $reference, 'first' => PressFunction::USUAL]],
        };

        return ['name' => mb_substr($point->name, 0, 60), 'bits' => $bits, 'functions' => $functions];
    }

    /** @return array<string, mixed> */
    private static function level(string $reference, float $low, float $high, bool $whole): array
    {
        return [
            'kind' => LevelFunction::kind(),
            'point' => $reference,
            'low' => $low,
            'high' => $high,
            ...($whole ? ['whole' => true] : []),
        ];
    }

    /** @return list<array<string, mixed>> equal runs of values, 0 changes nothing */
    private static function choices(Point $point): array
    {
        $functions = [];
        $count = min(\count($point->choices), (int) self::STEPS_OF_A_SLOT);
        foreach (\array_slice($point->choices, 0, $count) as $i => $choice) {
            $functions[] = [
                'kind' => SetFunction::kind(),
                'point' => $point->reference->text(),
                'value' => $choice,
                'first' => 1 + intdiv($i * 255, $count),
                'last' => intdiv(($i + 1) * 255, $count),
                'name' => mb_substr($choice, 0, 60),
            ];
        }

        return $functions;
    }

    private static function isFine(Point $point): bool
    {
        return $point->isSet
            && \in_array($point->kind, [PointKind::Level, PointKind::Number], true)
            && ! \in_array($point->reference->kind, self::SLOTS, true)
            && ! ($point->kind === PointKind::Level && $point->unit === '%');
    }
}
