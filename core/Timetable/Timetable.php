<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timetable;

use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Programme\WhenTrigger;
use NimbleJunction\Core\Route\Occurred;
use NimbleJunction\Core\Route\Route;

/** All that happens by itself in a show, and what it is when it runs. */
final readonly class Timetable
{
    public const PARTS = ['', 'at', 'in', 'enabled'];
    public const NEXT_PARTS = ['', 'at', 'in'];
    public const NEXT = 'next';
    private const OWNER = 'timetable.all';

    /** @var array<string, Route> by id */
    public array $routes;

    /** @param array<string, Occasion> $occasions by id */
    public function __construct(public array $occasions = [])
    {
        $routes = $occasions === [] ? [] : [self::OWNER => new Route(self::OWNER, 'Timetable', true, [], [], [], [])];
        foreach ($occasions as $id => $occasion) {
            $route = self::routeId((string) $id);
            $when = new WhenTrigger(self::came((string) $id));
            // Of two occasions the later one has what both set, and nothing is left lying below.
            $routes[$route] = new Route(
                $route,
                "Timetable: {$occasion->name}",
                true,
                [$when],
                [],
                [],
                $occasion->do,
                ownedBy: self::OWNER,
            );
        }
        $this->routes = $routes;
    }

    /** An id that no route of a show can have: its parts are parted by dots. */
    public static function routeId(string $id): string
    {
        return "occasion.{$id}";
    }

    public static function came(string $id): Occurred
    {
        return new Occurred("occasion {$id}", ['point' => "occasion:{$id}"]);
    }

    public function has(Reference $reference): bool
    {
        return match ($reference->kind) {
            'occasion' => isset($this->occasions[$reference->id]) && \in_array($reference->part, self::PARTS, true),
            'timetable' => $reference->id === self::NEXT && \in_array($reference->part, self::NEXT_PARTS, true),
            default => false,
        };
    }

    /** A point of it in words: "occasion Dusk, at". */
    public function said(Reference $reference): string
    {
        $name = match ($reference->kind) {
            'occasion' => 'occasion '.($this->occasions[$reference->id]->name ?? $reference->id),
            default => 'next of the timetable',
        };

        return $reference->part === '' ? $name : "{$name}, {$reference->part}";
    }
}
