<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\PassesBack;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Reversible;
use NimbleJunction\Core\Route\Wording;

/** It passes only after it has come to where something is, so that nothing jumps. */
final readonly class PickUpStep implements Reversible
{
    use PassesBack;

    public function __construct(public Reference $point, public float $near)
    {
    }

    public static function kind(): string
    {
        return 'pick-up';
    }

    public static function label(): string
    {
        return 'Only after it has picked up a point';
    }

    public static function fields(): array
    {
        return [
            Field::point(),
            Field::number('near', 'As near as', 0.0, 1e6, 2.0),
        ];
    }

    public function apply(float $value, Passing $passing): ?float
    {
        $mind = $passing->mind();
        $target = $passing->read($this->point);
        $target = is_numeric($target) ? (float) $target : $value;
        // What it set itself is where it is: somebody else has moved it when it is elsewhere.
        $isOurs = $mind->has('given') && abs($mind->get('given') - $target) <= $this->near;
        $before = $mind->get('value', $value);
        $isCrossed = $mind->has('value') && ($before - $target) * ($value - $target) <= 0.0;
        $mind->keep('value', $value);
        if (! $isOurs && ! $isCrossed && abs($value - $target) > $this->near) {
            $mind->forget('given');

            return null;
        }
        $mind->keep('given', $value);

        return $value;
    }

    public function words(Wording $wording): string
    {
        return "after it has picked up {$wording->point($this->point->text())}";
    }
}
