<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Signal\Frame;

/** Where a copy is laid down. */
final readonly class CopyTarget implements Part
{
    public function __construct(public string $universe, public int $first)
    {
    }

    public static function label(): string
    {
        return 'Copy target';
    }

    public static function fields(): array
    {
        return [
            Field::universe('universe', 'To universe'),
            Field::whole('first', 'To slot', 1, Frame::SLOTS),
        ];
    }
}
