<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Panel;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Surface\Control;

/** A colour of a lamp, and the value that makes it. */
final readonly class LampColour implements Part
{
    public function __construct(public string $colour, public float $value)
    {
    }

    public static function label(): string
    {
        return 'Colour of a lamp';
    }

    public static function fields(): array
    {
        return [
            Field::pattern('colour', 'Colour', Control::COLOUR, Control::COLOUR_RULE),
            Field::number('value', 'Value', -1e9, 1e9),
        ];
    }

    /**
     * @param list<self> $colours
     *
     * @return float|null the value of the colour that comes nearest; null where there are none
     */
    public static function nearest(array $colours, string $wanted): ?float
    {
        $best = null;
        $least = \PHP_FLOAT_MAX;
        foreach ($wanted === '' ? [] : $colours as $one) {
            $away = 0.0;
            foreach ([1, 3, 5] as $at) {
                $away += (hexdec(substr($one->colour, $at, 2)) - hexdec(substr($wanted, $at, 2))) ** 2;
            }
            if ($away < $least) {
                [$least, $best] = [$away, $one->value];
            }
        }

        return $best;
    }
}
