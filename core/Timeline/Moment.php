<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Surface\Control;

/** Something that happens at a moment of a timeline. */
final readonly class Moment implements Part
{
    /**
     * @param float $at in the timeline's unit
     * @param list<Action> $do
     * @param string $colour "#rrggbb"; '' for that of its track
     * @param bool $isPassing whether a jump across it sets it off, messages and presses too
     */
    public function __construct(
        public string $id,
        public float $at,
        public string $name = '',
        public array $do = [],
        public string $colour = '',
        public bool $isPassing = false,
    ) {
    }

    public static function label(): string
    {
        return 'Moment';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::number('at', 'At', 0.0, Timeline::LONGEST, 0.0),
            Field::textOrNone('name', 'Name', 60),
            Field::parts('do', 'It does', 'action'),
            Field::pattern('colour', 'Colour; empty for that of the track', Control::COLOUR, Control::COLOUR_RULE, false)->rare(),
            Field::flag('isPassing', 'A jump across it sets it off too', false)->rare()
                ->meaning(
                    'After a jump, points stand where they would be in any case. Messages and presses are sent again only where this is on.',
                ),
        ];
    }
}
