<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Offer;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Wording;

/** A point is set to one value as the run of values is entered. */
final readonly class SetFunction extends Ranged
{
    public function __construct(
        Reference $point,
        public int|float|string $value = 1,
        int $first = 0,
        ?int $last = null,
        string $name = '',
    ) {
        parent::__construct($point, $first, $last, $name);
    }

    public static function kind(): string
    {
        return 'set';
    }

    public static function label(): string
    {
        return 'A point is set to one value';
    }

    public static function fields(): array
    {
        return [Field::point(), Field::anything('value', 'To'), ...self::rangeFields(0)];
    }

    public function actions(): array
    {
        return [new SetAction($this->point, $this->value)];
    }

    public function words(Wording $wording): string
    {
        return "set {$wording->point($this->point->text())} to {$this->value}";
    }
}
