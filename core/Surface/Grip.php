<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;

/** What of a hardware panel moves a control, while the panel is on the control's page. */
final readonly class Grip implements Part
{
    /**
     * @param string $part id of a part of a panel of this surface
     * @param string $moves what of the control: across, up, turn; '' for the control itself
     */
    public function __construct(public string $part, public string $moves = '')
    {
    }

    public static function label(): string
    {
        return 'Grip';
    }

    public static function fields(): array
    {
        return [
            Field::pattern(
                'part',
                'Part of the panel',
                '#^[a-z0-9][a-z0-9-]{0,59}$#D',
                'Name the id of a part of a panel, like fader-1.',
            ),
            Field::pattern(
                'moves',
                'Moves of it; empty for itself',
                '#^[a-z]{1,10}$#D',
                'Name what it has: across, up, turn.',
                false,
            )->meaning('A pad has across and up, an endless knob turn.'),
        ];
    }
}
