<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Panel;

use NimbleJunction\Core\Panel\Handle\ButtonHandle;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action\PressAction;
use NimbleJunction\Core\Route\Condition\LeastCondition;
use NimbleJunction\Core\Route\Condition\PointCondition;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Surface\Control;
use NimbleJunction\Core\Surface\Grip;
use NimbleJunction\Core\Surface\Page;
use NimbleJunction\Core\Surface\Surface;

/**
 * All panels of a show, and the ordinary routes that they are when they run: one for each part and each control that it
 * moves.
 */
final readonly class Panels
{
    public const PARTS = ['page', 'next', 'back', 'refresh'];

    /** @var array<string, Route> by id */
    public array $routes;

    /**
     * @param array<string, Panel> $panels by id
     * @param array<string, Surface> $surfaces by id
     */
    public function __construct(public array $panels = [], private array $surfaces = [])
    {
        $routes = [];
        foreach ($panels as $panel) {
            foreach ($panel->parts as $part) {
                $route = self::turning($panel, $part);
                $routes += $route === null ? [] : [$route->id => $route];
            }
            $surface = $surfaces[$panel->surface] ?? null;
            $routes += $surface === null ? [] : self::all($panel, $surface);
        }
        $this->routes = $routes;
    }

    /** @return array<string, Route> what its parts move on a surface, by id */
    private static function all(Panel $panel, Surface $surface): array
    {
        $routes = $panel->oscPort === '' ? [] : (new OscLayout($panel, $surface))->routes();
        foreach ($surface->pages as $i => $page) {
            foreach ($page->controls as $control) {
                foreach ($control->hardware as $grip) {
                    $route = self::moving($panel, $surface, $page, $i + 1, $control, $grip);
                    $routes += $route === null ? [] : [$route->id => $route];
                }
            }
        }

        return $routes;
    }

    /** How many pages a panel has: those of its surface. */
    public function pages(string $id): int
    {
        $surface = $this->surfaces[$this->panels[$id]->surface ?? ''] ?? null;

        return max(1, \count($surface->pages ?? []));
    }

    public function has(Reference $reference): bool
    {
        return $reference->kind === 'panel'
            && isset($this->panels[$reference->id])
            && \in_array($reference->part, self::PARTS, true);
    }

    /** @return list<string> ids of the routes of a panel */
    public function routesOf(string $id): array
    {
        return array_values(array_filter(
            array_map(strval(...), array_keys($this->routes)),
            static fn(string $route): bool => str_starts_with($route, "panel.{$id}."),
        ));
    }

    /** A part that moves a control, while the panel is on its page. */
    private static function moving(Panel $panel, Surface $surface, Page $page, int $number, Control $control, Grip $grip): ?Route
    {
        $part = $panel->byId[$grip->part] ?? null;
        $kind = $control->parts()[$grip->moves] ?? null;
        $place = "surface:{$surface->id}/{$control->id}";
        $point = Reference::parse($place.($grip->moves === '' ? '' : "/{$grip->moves}"));
        $text = Reference::parse($place.'/'.Control::TEXT);
        $name = Reference::parse($place.'/'.Control::NAME);
        $turned = Reference::parse("panel:{$panel->id}/page");
        $action = $point === null || $kind === null ? null : $part?->does?->action($point, $kind, $control);
        if (
            $part?->when === null
            || $part->does === null
            || $point === null
            || $kind === null
            || $text === null
            || $name === null
            || $turned === null
            || $action === null
        ) {
            return null;
        }
        $inner = $part->does->back($point, $kind, $control);
        $back = $inner === null && $part->display === null
            ? null
            : new PanelBack($inner, $point, $turned, (float) $number, $control->points(), $part->display, $name, $text);

        return new Route(
            "panel.{$panel->id}.{$page->id}.{$control->id}.{$part->id}",
            "{$panel->name}, {$part->id}",
            $panel->enabled,
            [$part->when],
            [new PointCondition($turned, $number), ...$part->does->conditions($kind, $control)],
            $part->does->steps($point, $kind, $control),
            [$action],
            $back,
        );
    }

    /** A button that turns the pages. */
    private static function turning(Panel $panel, PanelPart $part): ?Route
    {
        $turns = $part->does instanceof ButtonHandle ? $part->does->turns : 'nothing';
        $point = Reference::parse("panel:{$panel->id}/{$turns}");
        if ($part->when === null || $turns === 'nothing' || $point === null) {
            return null;
        }

        return new Route(
            "panel.{$panel->id}.{$part->id}",
            "{$panel->name}, {$part->id}",
            $panel->enabled,
            [$part->when],
            [new LeastCondition(0.001)],
            [],
            [new PressAction($point)],
        );
    }

    /** Whether a part of a panel can move what it is to move. */
    public static function fits(PanelPart $part, Control $control, string $moves): bool
    {
        $kind = $control->parts()[$moves] ?? null;
        $point = Reference::parse("surface:any/{$control->id}");

        return $kind instanceof PointKind && $point !== null && $part->does?->action($point, $kind, $control) !== null;
    }
}
