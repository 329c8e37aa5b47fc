<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Engine\Said\Said;

/** A point is pressed. */
final readonly class PressPoint implements Order, InShowMode
{
    public function __construct(private ?Reference $point)
    {
    }

    public static function kind(): string
    {
        return 'press';
    }

    public static function label(): string
    {
        return 'Press a point';
    }

    public static function fields(): array
    {
        return [
            Field::point(),
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
        $reach->done($reach->engine->press($reach->point($this->point), $reach->act()));

        return null;
    }
}
