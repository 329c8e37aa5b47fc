<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Pixels;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;

/** Slots on the line that no pixel of the map listens to: a pixel that is hidden, or a strip that is left out. */
final readonly class Gap implements Part
{
    /** @param int $pixels as many slots are left as so many pixels take */
    public function __construct(public int $before, public int $pixels)
    {
    }

    public static function label(): string
    {
        return 'Gap';
    }

    public static function fields(): array
    {
        return [
            Field::whole('before', 'Before pixel', 1, PixelMap::MOST),
            Field::whole('pixels', 'Pixels left out', 1, PixelMap::MOST, 1),
        ];
    }
}
