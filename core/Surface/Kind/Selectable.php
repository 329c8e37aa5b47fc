<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface\Kind;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;

/** One of what a selector can choose. */
final readonly class Selectable implements Part
{
    public function __construct(public string $name, public int|float|string $value = '')
    {
    }

    public static function label(): string
    {
        return 'Choice of a selector';
    }

    public static function fields(): array
    {
        return [
            Field::name('Name', 60),
            Field::anything('value', 'Value of the point'),
        ];
    }
}
