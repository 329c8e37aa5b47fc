<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Offer;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Point\Reference;

/** One of several points that are pressed by their number. */
final readonly class Numbered implements Part
{
    public function __construct(public Reference $point)
    {
    }

    public static function label(): string
    {
        return 'Numbered point';
    }

    public static function fields(): array
    {
        return [Field::point()];
    }
}
