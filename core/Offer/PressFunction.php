<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Offer;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action\PressAction;
use NimbleJunction\Core\Route\Wording;

/** A point is pressed as the run of values is entered: "128 and above: go on". */
final readonly class PressFunction extends Ranged
{
    /** The upper half of one slot (common practice, no source). */
    public const USUAL = 128;

    public function __construct(Reference $point, int $first = self::USUAL, ?int $last = null, string $name = '')
    {
        parent::__construct($point, $first, $last, $name);
    }

    public static function kind(): string
    {
        return 'press';
    }

    public static function label(): string
    {
        return 'A point is pressed';
    }

    public static function fields(): array
    {
        return [Field::point(), ...self::rangeFields(self::USUAL)];
    }

    public function actions(): array
    {
        return [new PressAction($this->point)];
    }

    public function words(Wording $wording): string
    {
        return "press {$wording->point($this->point->text())}";
    }
}
