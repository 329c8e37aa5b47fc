<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Engine\Said\Said;

/** A page says what is on it, for others to see. */
final readonly class Stand implements Order, InShowMode
{
    public function __construct(private string $place)
    {
    }

    public static function kind(): string
    {
        return 'stand';
    }

    public static function label(): string
    {
        return 'Say where one is';
    }

    public static function fields(): array
    {
        return [Field::text('place', 'Place', longest: 200)];
    }

    public static function isForOperators(): bool
    {
        return false;
    }

    public static function answers(): ?string
    {
        return null;
    }

    public function obey(Reach $reach): ?Said
    {
        $reach->people->stands($reach->client, $this->place);

        return null;
    }
}
