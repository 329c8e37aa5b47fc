<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Field;

/** One of our universes that a port sends, and its number on the wire. */
final readonly class CarriedUniverse extends WireUniverse
{
    /**
     * @param int|null $rank where an interface has fewer lines than universes, the lowest number goes first; null for its
     * place in the list
     */
    public function __construct(int $number, string $universe, public ?int $rank = null)
    {
        parent::__construct($number, $universe);
    }

    public static function label(): string
    {
        return 'Carried universe';
    }

    public static function fields(): array
    {
        return [
            ...parent::fields(),
            Field::whole('rank', 'Rank', 1, 1024, null, false)->meaning(
                'Where an interface has fewer lines than universes, the lowest number goes first.',
            ),
        ];
    }
}
