<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Edit;

use NimbleJunction\Core\Edit\Amendment;
use NimbleJunction\Core\Edit\Contents;
use NimbleJunction\Core\Edit\Entry;
use NimbleJunction\Core\Edit\FieldOrder;
use NimbleJunction\Core\Edit\Places;
use NimbleJunction\Core\Edit\Update;
use NimbleJunction\Core\Plan\Compiler;
use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Plan\RouteIndex;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Tests\Support\RandomShow;
use PHPUnit\Framework\TestCase;

/** From any show to any other and back: amendments, what is told of them, and plans that are made of that. */
final class AmendmentTest extends TestCase
{
    public function testFromAnyShowToAnyOtherAndBack(): void
    {
        mt_srand(20261127);
        $first = $now = Contents::ofDocument(RandomShow::make());
        $all = new Amendment();
        for ($step = 0; $step < 12; ++$step) {
            $next = Contents::ofDocument(self::shuffled(RandomShow::make()), $now);
            $amendment = Amendment::between($now, $next);
            $stored = json_decode(json_encode($amendment->toArray(), JSON_THROW_ON_ERROR), true);
            self::assertEquals($amendment, Amendment::fromArray($stored), 'it is stored as JSON');
            self::assertSame($next->document(), $now->amended($amendment)->document());
            self::assertSame($now->document(), $next->amended($amendment->inverse())->document());
            $all = $all->then($amendment);
            self::assertSame($next->document(), $first->amended($all)->document(), 'many are one');
            self::assertTrue($amendment->then($amendment->inverse())->isEmpty());
            $now = $next;
        }
        self::assertSame($first->document(), $now->amended($all->inverse())->document());
    }

    public function testWhoeverIsToldOfAnEditHasTheSameShowAndTheSamePlan(): void
    {
        mt_srand(20261128);
        $compiler = new Compiler(new Identity(str_repeat('J', 16)));
        for ($step = 0; $step < 25; ++$step) {
            $was = Contents::ofDocument(RandomShow::make());
            $is = Contents::ofDocument(self::partly($was->document(), self::shuffled(RandomShow::make())), $was);
            $told = json_encode(Update::of(Amendment::between($was, $is), self::behind($is))->toArray(), JSON_THROW_ON_ERROR);
            $update = Update::fromArray(json_decode($told, true));
            self::assertSame(self::plain($is->document()), self::plain($update->document($was->document())));
            $before = ShowReader::fromArray($was->document());
            $show = $update->show($before);
            $fresh = ShowReader::fromArray($is->document());
            foreach (array_keys(Show::LISTS) as $list) {
                self::assertSame(array_keys($fresh->list($list)), array_keys($show->list($list)), "{$list} in their order");
            }
            self::assertEquals($fresh, $show);
            $plan = $compiler->compile($show, before: $compiler->compile($before));
            $anew = $compiler->compile($fresh);
            self::assertEquals($anew->index, $plan->index);
            self::assertEquals($anew->routeSlots, $plan->routeSlots);
            self::assertEquals($anew->exits, $plan->exits);
        }
    }

    /** A few of hundreds of routes that wait for the same are changed, come and go: the index is as one that is made anew. */
    public function testAnIndexThatIsKeptUpIsAsOneThatIsMadeAnew(): void
    {
        mt_srand(20261129);
        $document = ['format' => Show::FORMAT, 'version' => Show::VERSION, 'name' => 'Many', 'ports' => [
            ['id' => 'tablet', 'name' => 'Tablet', 'protocol' => 'osc', 'receive' => ['port' => 8000]],
        ], 'values' => [['id' => 'on', 'name' => 'On', 'type' => 'switch']]];
        $route = static fn(int $id): array => [
            'id' => "r{$id}",
            'name' => "Route {$id}",
            'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/'.mt_rand(1, 9)],
            'do' => [['kind' => 'set', 'point' => 'value:on', 'value' => mt_rand(0, 1) === 1]],
        ];
        $routes = array_map($route, range(0, 299));
        $show = ShowReader::fromArray([...$document, 'routes' => $routes]);
        $compiler = new Compiler(new Identity(str_repeat('J', 16)));
        $plan = $compiler->compile($show);
        for ($step = 0; $step < 60; ++$step) {
            $at = mt_rand(0, \count($routes) - 1);
            match (mt_rand(0, 3)) {
                0 => array_splice($routes, $at, 1),
                1 => array_splice($routes, $at, 0, [$route(1000 + $step)]),
                2 => array_push($routes, ...array_splice($routes, $at, 1)),
                default => $routes[$at] = [...$route(0), 'id' => $routes[$at]['id']],
            };
            $read = ShowReader::fromArray([...$document, 'routes' => $routes]);
            // What has not changed is the same object, as it is after an update.
            $kept = array_map(
                static fn($one) => isset($show->routes[$one->id]) && $show->routes[$one->id] == $one ? $show->routes[$one->id] : $one,
                $read->routes,
            );
            $show = new Show('Many', 4, ['ports' => $show->ports, 'values' => $show->values, 'routes' => $kept]);
            $plan = $compiler->compile($show, before: $plan);
            self::assertEquals(new RouteIndex($plan->index->routes), $plan->index, "step {$step}");
        }
    }

    public function testPlacesKeepAsManyAsTheyCan(): void
    {
        $was = Places::keep(['a', 'b', 'c', 'd'], []);
        $moved = Places::keep(['b', 'c', 'a', 'd'], $was);
        self::assertSame(
            array_intersect_key($was, ['b' => 0, 'c' => 0, 'd' => 0]),
            array_intersect_key($moved, ['b' => 0, 'c' => 0, 'd' => 0]),
        );
        self::assertTrue($moved['c'] < $moved['a'] && $moved['a'] < $moved['d']);
        $ids = ['a', 'z'];
        $places = Places::keep($ids, []);
        // Again and again between the same two: at last there is no room, and all get new places.
        for ($i = 0; $i < 60; ++$i) {
            array_splice($ids, 1, 0, ["n{$i}"]);
            $places = Places::keep($ids, $places);
            $sorted = $places;
            asort($sorted);
            self::assertSame($ids, array_keys($sorted));
            self::assertCount(\count($ids), array_unique($places));
        }
    }

    public function testPartsThatSayTheSameAreTheSameByteForByte(): void
    {
        $one = [
            'name' => 'Desk',
            'receive' => ['feeds' => [['universe' => 'palm', 'number' => 1.0]], 'address' => '10.0.0.1'],
            'id' => 'desk',
        ];
        $other = [
            'id' => 'desk',
            'receive' => ['address' => '10.0.0.1', 'feeds' => [['number' => 1, 'universe' => 'palm']]],
            'name' => 'Desk',
        ];
        self::assertSame(json_encode(FieldOrder::of($one)), json_encode(FieldOrder::of($other)));
        self::assertSame(['id', 'name', 'receive'], array_keys(FieldOrder::of($one)));
    }

    /** @return \Closure(string, Entry): (string|null) */
    private static function behind(Contents $is): \Closure
    {
        return static function (string $list, Entry $entry) use ($is): ?string {
            $ids = array_column($is->document()[$list], 'id');

            return $ids[(int) array_search($entry->part['id'], $ids, true) + 1] ?? null;
        };
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     */
    private static function shuffled(array $document): array
    {
        foreach (array_keys(Show::LISTS) as $list) {
            shuffle($document[$list]);
        }

        return $document;
    }

    /**
     * One list of the other document, if the show is sound with it, or else all of it.
     *
     * @param array<string, mixed> $document
     * @param array<string, mixed> $other
     *
     * @return array<string, mixed>
     */
    private static function partly(array $document, array $other): array
    {
        $list = array_keys(Show::LISTS)[mt_rand(0, \count(Show::LISTS) - 1)];
        try {
            ShowReader::fromArray($partly = [...$document, $list => $other[$list]]);

            return $partly;
        } catch (\NimbleJunction\Core\Show\ShowRefused) {
            return $other;
        }
    }

    /**
     * @param array<mixed> $document
     *
     * @return array<mixed>
     */
    private static function plain(array $document): array
    {
        ksort($document);

        return $document;
    }
}
