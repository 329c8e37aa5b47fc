<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Route;

use NimbleJunction\Core\Route\Circles;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Show\RouteEntry;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Routes that surely set each other off without end: each that is called so is run, and is cut by the bounds of a turn. */
final class CirclesTest extends TestCase
{
    private const COMES = ['kind' => 'osc', 'port' => 'tablet', 'address' => '/go', 'takes' => 'message'];

    /** @return iterable<string, array{list<array<string, mixed>>, list<string>}> routes a, b, c; and the circle that a is in */
    public static function shows(): iterable
    {
        $press = static fn(string $point): array => ['kind' => 'press', 'point' => $point];
        $fired = static fn(string $id): array => ['kind' => 'fired', 'point' => "route:{$id}"];
        yield 'two that press each other' => [[['do' => [$press('route:b')]], ['do' => [$press('route:a')]]], ['a', 'b']];
        yield 'one that presses itself' => [[['do' => [$press('route:a')]]], ['a']];
        yield 'one that waits for itself' => [[['when' => [self::COMES, $fired('a')], 'do' => [$press('value:s')]]], ['a']];
        yield 'three, one of which waits for the one before' => [
            [['do' => [$press('route:b')]], ['do' => [$press('value:s')]], ['when' => $fired('b'), 'do' => [['kind' => 'set', 'point' => 'route:a/run', 'value' => 1]]]],
            ['a', 'b', 'c'],
        ];
        yield 'a switch that turns itself over' => [[['when' => [self::COMES, ['kind' => 'point', 'point' => 'value:s']], 'do' => [$press('value:s')]]], ['a']];
        yield 'a point that is pressed by what waits for the press' => [[['when' => [self::COMES, ['kind' => 'pressed', 'point' => 'value:s']], 'do' => [$press('value:s')]]], ['a']];
        yield 'through steps that always pass' => [[['steps' => [['kind' => 'scale', 'from' => [0, 1], 'to' => [0, 9]]], 'do' => [$press('route:a')]]], ['a']];
        yield 'a chain that ends' => [[['do' => [$press('route:b')]], ['do' => [$press('route:c')]], ['do' => [$press('value:s')]]], []];
        yield 'a wait between' => [[['do' => [['kind' => 'wait', 'seconds' => 1], $press('route:a')]]], []];
        yield 'a step that holds back' => [[['steps' => [['kind' => 'delay', 'seconds' => 1]], 'do' => [$press('route:a')]]], []];
        yield 'only for a value' => [[['do' => [['kind' => 'choose', 'options' => [['kind' => 'within', 'low' => 5, 'high' => 6, 'do' => [$press('route:a')]]]]]]], []];
        yield 'a condition between' => [[['when' => [self::COMES, $fired('a')], 'if' => [['kind' => 'equal', 'to' => 7]], 'do' => [$press('value:s')]]], []];
        yield 'one that is off, and pressed all the same' => [[['do' => [$press('route:b')]], ['enabled' => false, 'do' => [$press('route:a')]]], ['a', 'b']];
        yield 'one that is off, and does not listen' => [[['do' => [$press('value:s')]], ['enabled' => false, 'when' => $fired('a'), 'do' => [$press('route:a')]]], []];
        yield 'a switch that comes to one value' => [[['when' => [self::COMES, ['kind' => 'point', 'point' => 'value:s', 'is' => 1]], 'do' => [$press('value:s')]]], []];
        yield 'two values kept alike' => [[
            ['when' => ['kind' => 'point', 'point' => 'value:s'], 'do' => [['kind' => 'set', 'point' => 'value:t']]],
            ['when' => ['kind' => 'point', 'point' => 'value:t'], 'do' => [['kind' => 'set', 'point' => 'value:s']]],
        ], []];
    }

    /**
     * @param list<array<string, mixed>> $routes
     * @param list<string> $expected
     */
    #[DataProvider('shows')]
    public function testACircleIsFoundWhereItIsOneAndIsCutWhereItRuns(array $routes, array $expected): void
    {
        $ids = ['a', 'b', 'c'];
        $changes = [
            'values' => [['id' => 's', 'name' => 'S', 'type' => 'switch'], ['id' => 't', 'name' => 'T', 'type' => 'switch']],
            'routes' => array_map(
                static fn(array $route, int $i): array => [
                    'id' => $ids[$i],
                    'name' => strtoupper($ids[$i]),
                    'when' => [self::COMES],
                    ...$route,
                ],
                $routes,
                array_keys($routes),
            ),
        ];
        $read = ShowReader::fromArray([...Rig::document(), ...$changes])->routes;
        $found = (new Circles(array_filter(array_map(static fn(RouteEntry $one): ?Route => $one->route, $read))))->through('a');
        self::assertSame($expected, $found);
        $rig = new Rig($changes);
        $rig->osc('/go');
        $isCut = str_contains(implode("\n", $rig->allHops()), 'deep');
        self::assertSame($expected !== [], $isCut, implode("\n", $rig->allHops()));
    }
}
