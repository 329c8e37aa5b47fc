<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Document;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;

/** What the sample part holds. */
final readonly class SampleSpan implements Part
{
    public function __construct(public int $low, public int $high)
    {
    }

    public static function label(): string
    {
        return 'Sample span';
    }

    public static function fields(): array
    {
        return [
            Field::whole('low', 'Low', 1, 9),
            Field::whole('high', 'High', 1, 9, null, false)->atLeast('low'),
        ];
    }
}
