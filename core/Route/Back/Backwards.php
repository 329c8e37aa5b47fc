<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Back;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Readings;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Back;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Showing;

/** What every kind of feedback has. */
abstract readonly class Backwards implements Back
{
    /**
     * @param Reference|null $of null for the point that the route sets
     * @param float $gap seconds
     * @param float|null $every seconds
     */
    public function __construct(public ?Reference $of = null, public float $gap = 0.025, public ?float $every = null)
    {
    }

    /** @return list<Field> */
    protected static function usual(): array
    {
        return [
            Field::pointOrNone('of', 'Of which point; empty for the one that it sets'),
            Field::number('gap', 'At most every so many seconds', 0.005, 10.0, 0.025)->rare(),
            Field::number('every', 'Told again every so many seconds; empty for never', 1.0, 3600.0, null, false)->rare(),
        ];
    }

    public function problem(Route $route): string
    {
        $trigger = $route->triggers[0] ?? null;
        $isShown = $trigger instanceof Showing && $trigger->shows(0.0) !== null;

        return match (true) {
            ! $isShown => 'what the route waits for first is no single control that could show anything',
            $this->point($route) === null => 'the route sets no point whose value could be shown',
            default => '',
        };
    }

    public function point(Route $route): ?Reference
    {
        if ($this->of !== null) {
            return $this->of;
        }
        foreach ($route->actions as $action) {
            if ($action instanceof SetAction) {
                return $action->point;
            }
        }

        return null;
    }

    public function besides(): array
    {
        return [];
    }

    public function alongside(Route $route, float $value, ?float $before, Readings $readings): array
    {
        return [];
    }

    public function gap(): float
    {
        return $this->gap;
    }

    public function every(): ?float
    {
        return $this->every;
    }
}
