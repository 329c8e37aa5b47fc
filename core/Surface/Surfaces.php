<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface;

use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Trigger\PointTrigger;
use NimbleJunction\Core\Route\Trigger\PressedTrigger;
use NimbleJunction\Core\Surface\Kind\Showing;

/** All surfaces of a show, and what they are when they run. */
final readonly class Surfaces
{
    /** Kinds of points that are given levels, which somebody has to own. */
    private const GIVEN = ['slot', 'fixture', 'group', 'pixels'];

    /** @var array<string, Route> by id: who owns what controls give, and what their moves do besides */
    public array $routes;

    /** @param array<string, Surface> $surfaces by id */
    public function __construct(public array $surfaces = [], Patch $patch = new Patch([], []))
    {
        $routes = [];
        foreach ($surfaces as $surface) {
            foreach ($surface->controls as $control) {
                foreach (self::given($control, $patch) as $point) {
                    $id = self::ownerId($point);
                    $routes[$id] ??= new Route($id, 'Surfaces', true, [], [], [], [new SetAction($point)]);
                }
                $besides = self::besides($surface, $control);
                $routes += $besides === null ? [] : [$besides->id => $besides];
            }
        }
        $this->routes = $routes;
    }

    /** @return string who gives a point what controls bring it to: one owner for all of them */
    public static function owner(Reference $point): string
    {
        return 'route '.self::ownerId($point);
    }

    /** The control that a point is of; null where there is none. */
    public function control(Reference $reference): ?Control
    {
        $control = ($this->surfaces[$reference->id] ?? null)?->controls[explode('/', $reference->part, 2)[0]] ?? null;

        return $control?->does === null ? null : $control;
    }

    /** @return string what of the control a point is; '' for the control itself */
    public static function part(Reference $reference): string
    {
        return explode('/', $reference->part, 2)[1] ?? '';
    }

    public function has(Reference $reference): bool
    {
        $control = $reference->kind === 'surface' ? $this->control($reference) : null;

        return isset($control?->parts()[self::part($reference)]);
    }

    /** An id that no route of a show can have. */
    private static function ownerId(Reference $point): string
    {
        return "surfaces.{$point->text()}";
    }

    /** @return list<Reference> what it gives levels to */
    private static function given(Control $control, Patch $patch): array
    {
        if ($control->does instanceof Showing) {
            return [];
        }
        $points = $control->does instanceof Gives ? $control->does->given($patch) : $control->points();

        return array_values(array_filter(
            $points,
            static fn(Reference $point): bool => \in_array($point->kind, self::GIVEN, true),
        ));
    }

    /** What its moves do besides is an ordinary route, that is set off by each of them. */
    private static function besides(Surface $surface, Control $control): ?Route
    {
        if ($control->do === []) {
            return null;
        }
        $triggers = [];
        foreach ($control->parts() as $part => $kind) {
            $point = Reference::parse("surface:{$surface->id}/{$control->id}".($part === '' ? '' : "/{$part}"));
            $isPressed = \in_array($kind, [PointKind::Switch, PointKind::Press], true);
            if ($point !== null && ! \in_array($part, [Control::LONG, Control::TEXT, Control::NAME], true)) {
                $triggers[] = $isPressed ? new PressedTrigger($point) : new PointTrigger($point);
            }
        }

        return new Route(
            "surface.{$surface->id}.{$control->id}",
            "{$surface->name}, {$control->name}",
            true,
            $triggers,
            [],
            [],
            $control->do,
        );
    }
}
