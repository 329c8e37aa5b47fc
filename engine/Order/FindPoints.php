<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Engine\Said\FoundPoint;
use NimbleJunction\Engine\Said\FoundPoints;
use NimbleJunction\Engine\Said\FoundRange;
use NimbleJunction\Engine\Said\Said;

/** Points are looked for whose names hold these words. */
final readonly class FindPoints implements Order, InShowMode
{
    private const MOST = 50;

    public function __construct(private string $text)
    {
    }

    public static function kind(): string
    {
        return 'find';
    }

    public static function label(): string
    {
        return 'Find points';
    }

    public static function fields(): array
    {
        return [
            Field::textOrNone('text', 'Words', 200),
        ];
    }

    public static function isForOperators(): bool
    {
        return false;
    }

    public static function answers(): string
    {
        return FoundPoints::class;
    }

    public function obey(Reach $reach): Said
    {
        $points = $reach->engine->junction->points();

        return new FoundPoints(array_map(static fn(Point $point): FoundPoint => new FoundPoint(
            $point->reference->text(),
            $point->name,
            $point->kind->value,
            $point->low,
            $point->high,
            $point->unit,
            $point->choices,
            $point->isSet,
            $point->isPressed,
            $points->read($point->reference),
            array_map(static fn(array $one): FoundRange => new FoundRange($one[0], $one[1], $one[2]), $point->ranges),
        ), $points->find($this->text, self::MOST)));
    }
}
