<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Signal\Frame;

/** What happens to a run of slots on the way out: the curve first, then inversion, then the limits. */
final readonly class ShapeEntry implements Part
{
    private const CURVES = [
        'linear' => 'straight',
        'square' => 'square: fine below',
        'root' => 'root: fine above',
        'smooth' => 'smooth ends',
        'switched' => 'switched at half',
    ];

    /**
     * @param int $first 1 to 512
     * @param int $last $first to 512
     * @param int $low level that nothing goes below, 0 to 255
     * @param int $high level that nothing goes above, $low to 255
     */
    public function __construct(
        public int $first,
        public int $last,
        public Curve $curve,
        public bool $inverted,
        public int $low,
        public int $high,
    ) {
    }

    public static function label(): string
    {
        return 'Shape';
    }

    public static function fields(): array
    {
        return [
            Field::whole('first', 'From slot', 1, Frame::SLOTS),
            Field::whole('last', 'To slot', 1, Frame::SLOTS, null, false)->atLeast('first'),
            Field::choice('curve', 'Curve', Curve::class, Curve::Linear)->called(self::CURVES),
            Field::flag('inverted', 'Inverted', false),
            Field::whole('low', 'Minimum', 0, 255, 0)->meaning('Nothing goes below.'),
            Field::whole('high', 'Maximum', 0, 255, 255)->atLeast('low')->meaning('Nothing goes above.'),
        ];
    }
}
