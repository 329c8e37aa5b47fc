<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface\Kind;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Surface\Hand;
use NimbleJunction\Core\Surface\Shown;

/** A text, or what a point is, in words: what is next in a list, the state of a port. */
final readonly class LabelControl extends Showing
{
    public function __construct(public ?Reference $point = null)
    {
    }

    public static function kind(): string
    {
        return 'label';
    }

    public static function label(): string
    {
        return 'Label';
    }

    public static function fields(): array
    {
        return [
            Field::pointOrNone('point', 'Shows the value of')->meaning('A list has what is next, a port whether it is alive.'),
        ];
    }

    public function others(): array
    {
        return $this->point === null ? [] : [$this->point];
    }

    public function shown(Hand $hand): Shown
    {
        if ($this->point === null) {
            return new Shown();
        }
        $value = $hand->read($this->point);

        return new Shown([], $hand->words($this->point), is_numeric($value) && (float) $value > 0.0);
    }
}
