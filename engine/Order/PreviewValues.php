<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Programme\PointValue;
use NimbleJunction\Core\Programme\Target;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Said\Said;

/** Values of a look, or of a cue, are held for a moment: to be seen before they are kept, or without being run. */
final readonly class PreviewValues implements Order
{
    private const USUAL_SECONDS = 15;

    /** @param list<PointValue> $values */
    public function __construct(private array $values, private int $seconds)
    {
    }

    public static function kind(): string
    {
        return 'preview';
    }

    public static function label(): string
    {
        return 'Hold values for a moment';
    }

    public static function fields(): array
    {
        return [
            Field::objects('values', 'Values', PointValue::class, 20000),
            Field::whole('seconds', 'Seconds', 1, HoldSlots::LONGEST_SECONDS, self::USUAL_SECONDS),
        ];
    }

    public static function isForOperators(): bool
    {
        return true;
    }

    public static function answers(): ?string
    {
        return null;
    }

    public function obey(Reach $reach): ?Said
    {
        $targets = $reach->engine->junction->plan()->lanes->targets($this->values);
        if ($targets === []) {
            throw new CommandRefused('There is nothing in it that could be held.');
        }
        $levels = [];
        foreach ($targets as $target) {
            $levels[$target->lane->universeId] = ($levels[$target->lane->universeId] ?? []) + self::slots($target);
        }
        foreach ($levels as $universe => $slots) {
            ksort($slots);
            $reach->engine->hold((string) $universe, $slots, $reach->by(), $this->seconds);
        }

        return null;
    }

    /** @return array<int, int> level by slot, from 1 */
    private static function slots(Target $target): array
    {
        $slots = [];
        $value = $target->value;
        foreach (array_reverse($target->lane->slots) as $slot) {
            $slots[$slot + 1] = $value & 255;
            $value >>= 8;
        }

        return $slots;
    }
}
