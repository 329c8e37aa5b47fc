<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show\Side;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\NumberList;

/** A game controller is listened to. */
final readonly class GameControllerReceive extends ReceiveSide
{
    /**
     * @param float $deadZone part of an axis' way, from its centre, that counts as the centre, 0 to 0.9
     * @param list<float> $centres where each axis rests, -1 to 1
     */
    public function __construct(bool $enabled, public float $deadZone, public array $centres)
    {
        parent::__construct($enabled, '0.0.0.0', 0, []);
    }

    public static function fields(): array
    {
        return [
            self::enabledField(),
            Field::number(
                'deadZone',
                'Dead zone, 0 to 0.9 of the way',
                0.0,
                0.9,
                0.1,
            )->meaning("Part of an axis' way that counts as its centre."),
            (new NumberList('centres', 'Where each axis rests', 16, -1.0, 1.0, false))->meaning('Where each axis rests.'),
        ];
    }
}
