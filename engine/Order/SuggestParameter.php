<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Offer\Suggested;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Said\Said;
use NimbleJunction\Engine\Said\Suggestion;

/** How a point is usually offered to a desk. */
final readonly class SuggestParameter implements Order
{
    public function __construct(private Reference $point)
    {
    }

    public static function kind(): string
    {
        return 'suggest';
    }

    public static function label(): string
    {
        return 'Suggest a parameter';
    }

    public static function fields(): array
    {
        return [Field::point()];
    }

    public static function isForOperators(): bool
    {
        return false;
    }

    public static function answers(): string
    {
        return Suggestion::class;
    }

    public function obey(Reach $reach): Said
    {
        $point = $reach->engine->junction->points()->describe($this->point)
            ?? throw new CommandRefused("There is no point {$this->point->text()} in the show that runs.");

        return new Suggestion(Suggested::of($point));
    }
}
