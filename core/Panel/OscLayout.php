<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Panel;

use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Action\PressAction;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Back\PageBack;
use NimbleJunction\Core\Route\Condition;
use NimbleJunction\Core\Route\Condition\LeastCondition;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Step\ScaleStep;
use NimbleJunction\Core\Route\Trigger\OscTrigger;
use NimbleJunction\Core\Surface\Control;
use NimbleJunction\Core\Surface\Surface;

/** All controls of a surface for a tablet program of any maker: an address each, told values, names and colours. */
final readonly class OscLayout
{
    public const COLUMNS = ['Address', 'Direction', 'Arguments', 'Control', 'Page'];

    /** What a control has for on and off where it has no colour of its own. */
    private const ON = '#8fcdb4';
    private const OFF = '#10282c';

    public function __construct(private Panel $panel, private Surface $surface)
    {
    }

    /** What all its addresses begin with. */
    public function beginning(): string
    {
        return $this->panel->oscAddress === '' ? "/{$this->surface->id}" : rtrim($this->panel->oscAddress, '/');
    }

    /** @return array<string, Route> by id */
    public function routes(): array
    {
        $routes = [];
        foreach ($this->surface->controls as $control) {
            foreach ($this->parts($control) as $part => $kind) {
                $route = $this->route($control, $part, $kind);
                $routes += $route === null ? [] : [$route->id => $route];
            }
        }
        $refresh = Reference::parse("panel:{$this->panel->id}/refresh");
        if ($refresh !== null) {
            $id = "panel.{$this->panel->id}.osc-refresh";
            $routes[$id] = new Route(
                $id,
                "{$this->panel->name}, refresh",
                $this->panel->enabled,
                [new OscTrigger($this->panel->oscPort, "{$this->beginning()}/refresh", takes: 'message')],
                [],
                [],
                [new PressAction($refresh)],
            );
        }

        return $routes;
    }

    /** @return list<list<string>> a line for each address, as the columns say */
    public function lines(): array
    {
        $lines = [["{$this->beginning()}/refresh", 'to us', 'any: all is told again', '', '']];
        foreach ($this->surface->pages as $page) {
            foreach ($page->controls as $control) {
                foreach ($this->parts($control) as $part => $kind) {
                    $address = $this->address($control, $part);
                    $isPressed = $kind === PointKind::Press;
                    $lines[] = [
                        $address,
                        $isPressed ? 'to us' : 'both',
                        $isPressed ? '1 presses it' : ($kind === PointKind::Switch ? '0 or 1' : '0 to 1'),
                        $control->name,
                        $page->name,
                    ];
                    foreach ($isPressed ? [] : ['name' => 'its name', 'colour' => 'its colour, as #rrggbb', 'text' => 'its value, in words'] as $what => $words) {
                        $lines[] = ["{$address}/{$what}", 'from us', "a text: {$words}", $control->name, $page->name];
                    }
                }
            }
        }

        return $lines;
    }

    /** @return array<string, PointKind> what of a control has an address, by name */
    private function parts(Control $control): array
    {
        return array_filter(
            $control->parts(),
            static fn(PointKind $kind): bool => \in_array($kind, [PointKind::Level, PointKind::Switch, PointKind::Press], true),
        );
    }

    private function address(Control $control, string $part): string
    {
        return "{$this->beginning()}/{$control->id}".($part === '' ? '' : "/{$part}");
    }

    private function route(Control $control, string $part, PointKind $kind): ?Route
    {
        $place = "surface:{$this->surface->id}/{$control->id}";
        $point = Reference::parse($place.($part === '' ? '' : "/{$part}"));
        $text = Reference::parse($place.'/'.Control::TEXT);
        $name = Reference::parse($place.'/'.Control::NAME);
        if ($point === null || $text === null || $name === null) {
            return null;
        }
        $address = $this->address($control, $part);
        $inner = new PageBack(
            $point,
            colourAddress: "{$address}/colour",
            on: $control->colour === '' ? self::ON : $control->colour,
            off: $control->ground === '' ? self::OFF : $control->ground,
        );
        $display = new Display('value', "{$address}/text", length: 60);
        [$conditions, $steps, $action] = self::doing($control, $kind, $point);

        return new Route(
            "panel.{$this->panel->id}.osc.{$control->id}.{$part}",
            "{$this->panel->name}, {$control->name}",
            $this->panel->enabled,
            [new OscTrigger($this->panel->oscPort, $address)],
            $conditions,
            $steps,
            [$action],
            $kind === PointKind::Press
                ? null
                : new PanelBack($inner, $point, null, 0.0, $control->points(), $display, $name, $text, "{$address}/name"),
        );
    }

    /** @return array{list<Condition>, list<Step>, Action} */
    private static function doing(Control $control, PointKind $kind, Reference $point): array
    {
        return match (true) {
            $kind === PointKind::Level => [[], [new ScaleStep([0.0, 1.0], [0.0, 100.0])], new SetAction($point)],
            Handle\ButtonHandle::isMomentary($control) => [[], [], new SetAction($point)],
            default => [[new LeastCondition(0.001)], [], new PressAction($point)],
        };
    }
}
