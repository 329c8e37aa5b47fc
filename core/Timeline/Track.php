<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Surface\Control;

/** A track of a timeline. */
final readonly class Track implements Part
{
    /**
     * @param TrackKind|null $does null where the document has none, which is refused
     * @param string $colour "#rrggbb"; '' for that of its kind
     * @param bool $muted whether nothing comes of it
     * @param bool $solo whether nothing comes of those that are not
     * @param bool $locked whether pages leave it as it is
     * @param float $early so much earlier all of it comes, in the timeline's unit: what takes a while to begin is there in time
     */
    public function __construct(
        public string $id,
        public string $name,
        public ?TrackKind $does = null,
        public string $colour = '',
        public bool $muted = false,
        public bool $solo = false,
        public bool $locked = false,
        public float $early = 0.0,
    ) {
    }

    public static function label(): string
    {
        return 'Track';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name('Name', 60),
            Field::part('does', 'Track', 'trackKind'),
            Field::pattern('colour', 'Colour; empty for the usual one', Control::COLOUR, Control::COLOUR_RULE, false)->rare(),
            Field::flag('muted', 'Muted', false),
            Field::flag('solo', 'Solo', false),
            Field::flag('locked', 'Locked', false),
            Field::number('early', 'All of it comes so much earlier; later below 0', -60.0, 60.0, 0.0),
        ];
    }
}
