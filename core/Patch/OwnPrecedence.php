<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;

/** How a parameter of one fixture merges, otherwise than its profile says. */
final readonly class OwnPrecedence implements Part
{
    public function __construct(public string $parameter, public Precedence $precedence)
    {
    }

    public static function label(): string
    {
        return 'Own precedence';
    }

    public static function fields(): array
    {
        return [
            Field::text('parameter', 'Parameter', null, 120),
            Field::choice('precedence', 'Merges by', Precedence::class, Precedence::Latest)->called(Precedence::TITLES),
        ];
    }
}
