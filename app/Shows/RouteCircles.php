<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;
use NimbleJunction\Core\Edit\Amendment;
use NimbleJunction\Core\Edit\Change;
use NimbleJunction\Core\Route\Circles;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Show\RouteEntry;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;

/** An edit after which routes surely set each other off without end is refused; a show that was so before opens all the same. */
final class RouteCircles
{
    /** Routes in a circle have one of these in their definition. */
    private const SIGNS = ['"press"', '/run"', '"fired"'];

    /** @throws ShowRefused */
    public static function check(Draft $draft, Amendment $amendment): void
    {
        $changed = array_filter(
            $amendment->parts['routes'] ?? [],
            static fn(Change $change): bool => $change->is !== null && self::mayBeInOne((string) json_encode($change->is->part)),
        );
        if ($changed === []) {
            return;
        }
        $ids = array_map(strval(...), array_keys($changed));
        $circles = new Circles(self::routes($draft, $ids));
        foreach ($ids as $id) {
            $circle = $circles->through($id);
            if ($circle !== []) {
                $place = (int) array_search($id, $draft->ids('routes'), true);
                throw ShowRefused::because([new Fault(
                    "/routes/{$place}/do",
                    'it sets itself off without end: '.self::said($draft, $circle),
                    'Put a condition or a wait between them, or let one of them do something else.',
                )]);
            }
        }
    }

    private static function mayBeInOne(string $definition): bool
    {
        $definition = str_replace('\\/', '/', $definition);

        return array_filter(self::SIGNS, static fn(string $sign): bool => str_contains($definition, $sign)) !== [];
    }

    /**
     * @param list<string> $changed
     *
     * @return array<string, Route> all that may be in a circle, by id
     */
    private static function routes(Draft $draft, array $changed): array
    {
        $rows = $draft->rows('routes')
            ->where(function ($query): void {
                foreach (self::SIGNS as $sign) {
                    $query->orWhereRaw('instr(replace(definition, ?, ?), ?)', ['\\/', '/', $sign]);
                }
            })->pluck('key')->all();
        $routes = [];
        $ids = array_unique([...array_map(strval(...), $rows), ...$changed]);
        $draft->read('routes', array_values($ids));
        foreach ($ids as $id) {
            $part = $draft->part('routes', $id);
            $route = $part === null ? null : self::read($part);
            if ($route !== null) {
                $routes[$id] = $route;
            }
        }

        return $routes;
    }

    /** @param array<mixed> $part a route that is sound */
    private static function read(array $part): ?Route
    {
        /** @var \ArrayObject<int, Fault> $faults */
        $faults = new \ArrayObject();

        return Reading::with(ShowReader::kinds())->part(new Fields($part, '', $faults), RouteEntry::class)->route;
    }

    /** @param list<string> $circle */
    private static function said(Draft $draft, array $circle): string
    {
        $names = array_map(
            static fn(string $id): string => '"'.($draft->part('routes', $id)['name'] ?? $id).'"',
            [...$circle, $circle[0]],
        );

        return implode(' sets off ', \array_slice($names, 0, 2))
            .implode('', array_map(static fn(string $name): string => ", which sets off {$name}", \array_slice($names, 2)));
    }
}
