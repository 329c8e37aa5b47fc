<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Patch;

use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Patching\Deeds;
use NimbleJunction\Core\Patching\Laid;
use NimbleJunction\Core\Patching\Overlaps;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is done to the patch in one go. */
final class DeedsTest extends TestCase
{
    /**
     * @return iterable<string, array{array<string, mixed>, list<array{string, int}>}> what is asked, and universe and address of each;
     * spacing worked out by hand
     */
    public static function rows(): iterable
    {
        $row = ['kind' => 'row', 'name' => 'Bar 1', 'profile' => 'four', 'universe' => 'palm'];
        yield 'one after the other' => [[...$row, 'count' => 3, 'first' => 101], [['palm', 101], ['palm', 105], ['palm', 109]]];
        yield 'every 16' => [
            [...$row, 'count' => 4, 'first' => 101, 'every' => 16],
            [['palm', 101], ['palm', 117], ['palm', 133], ['palm', 149]],
        ];
        yield 'up to the last slot' => [[...$row, 'count' => 2, 'first' => 505], [['palm', 505], ['palm', 509]]];
        yield 'on in the next universe' => [
            [...$row, 'count' => 3, 'first' => 505, 'goesOn' => true],
            [['palm', 505], ['palm', 509], ['fern', 1]],
        ];
    }

    /**
     * @param array<string, mixed> $asked
     * @param list<array{string, int}> $wanted
     */
    #[DataProvider('rows')]
    public function testManyAtOnce(array $asked, array $wanted): void
    {
        $laid = Deeds::read($asked)->lay(self::show());
        self::assertSame(
            $wanted,
            array_map(static fn(Laid $one): array => [$one->fields['universe'], $one->fields['first']], $laid),
        );
        self::assertSame(
            ['Bar 1', 'Bar 2'],
            array_map(static fn(Laid $one): mixed => $one->fields['name'], \array_slice($laid, 0, 2)),
        );
    }

    public function testNamesAndNumbersGoOn(): void
    {
        $laid = Deeds::read([
            'kind' => 'row',
            'count' => 3,
            'name' => 'Fern 09',
            'profile' => 'four',
            'universe' => 'palm',
            'first' => 1,
            'number' => 201,
            'mark' => 'SL',
        ])->lay(self::show());
        self::assertSame(
            [['Fern 09', 201, 'SL'], ['Fern 10', 202, 'SL'], ['Fern 11', 203, 'SL']],
            array_map(static fn(Laid $one): array => [$one->fields['name'], $one->fields['number'], $one->fields['mark']], $laid),
        );
        self::assertArrayNotHasKey('place', $laid[0]->fields, 'what is left open is left out');
    }

    public function testAMoveKeepsDistancesOrClosesUp(): void
    {
        $move = ['kind' => 'move', 'fixtures' => ['b', 'a'], 'universe' => 'fern', 'first' => 201];
        self::assertSame(['a' => ['fern', 201], 'b' => ['fern', 209]], self::places(Deeds::read($move)->lay(self::show())));
        self::assertSame(
            ['b' => ['fern', 201], 'a' => ['fern', 205]],
            self::places(Deeds::read([...$move, 'closeUp' => true])->lay(self::show())),
            'in the order in which they are named',
        );
    }

    public function testASwapARenumberingAClone(): void
    {
        self::assertSame(
            ['a' => ['palm', 9], 'b' => ['palm', 1]],
            self::places(Deeds::read(['kind' => 'swap', 'fixture' => 'a', 'with' => 'b'])->lay(self::show())),
        );
        $laid = Deeds::read(['kind' => 'renumber', 'fixtures' => ['b', 'a'], 'from' => 10, 'step' => 5])->lay(self::show());
        self::assertSame(
            ['b' => 10, 'a' => 15],
            array_combine(
                array_map(static fn(Laid $one): string => $one->id, $laid),
                array_map(static fn(Laid $one): mixed => $one->fields['number'], $laid),
            ),
        );
        $laid = Deeds::read([
            'kind' => 'clone',
            'fixture' => 'a',
            'count' => 2,
            'universe' => 'fern',
            'first' => 1,
        ])->lay(self::show());
        self::assertSame(
            [['a', 'A 2', 'fern', 1], ['a', 'A 3', 'fern', 5]],
            array_map(
                static fn(Laid $one): array => [
                    $one->like,
                    $one->fields['name'],
                    $one->fields['universe'],
                    $one->fields['first'],
                ],
                $laid,
            ),
        );
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function wrong(): iterable
    {
        $row = ['kind' => 'row', 'count' => 3, 'name' => 'Bar', 'profile' => 'four', 'universe' => 'palm', 'first' => 505];
        yield 'past the end' => [$row, '/count', 'number 3 would end at slot 516, and a universe has 512. 2 fit'];
        yield 'past the last universe' => [
            [...$row, 'universe' => 'fern', 'goesOn' => true],
            '/count',
            'finds no universe after the last one. 2 fit.',
        ];
        yield 'closer than they are wide' => [[...$row, 'first' => 1, 'every' => 3], '/every', 'less than the 4 that each takes'];
        yield 'an unknown profile' => [[...$row, 'profile' => 'gone'], '/profile', 'Profiles are: four'];
        yield 'an unknown universe' => [[...$row, 'universe' => 'gone'], '/universe', 'Universes are: palm, fern'];
        yield 'a fixture that is gone' => [
            ['kind' => 'swap', 'fixture' => 'a', 'with' => 'gone'],
            '/with',
            'there is no fixture "gone"',
        ];
        yield 'a number that another has' => [
            ['kind' => 'renumber', 'fixtures' => ['a'], 'from' => 7],
            '/from',
            '"B" is number 7 already',
        ];
        yield 'none to move' => [
            ['kind' => 'move', 'fixtures' => [], 'universe' => 'palm', 'first' => 1],
            '/fixtures',
            'Choose at least one',
        ];
        yield 'a move past the end' => [
            ['kind' => 'move', 'fixtures' => ['a', 'b'], 'universe' => 'palm', 'first' => 502],
            '/first',
            '"B" would end at slot 513',
        ];
        yield 'an unknown deed' => [['kind' => 'juggle'], '/kind', 'row, move, swap, renumber, clone'];
        yield 'a field that is not known' => [[...$row, 'colour' => 1], '/colour', 'not known'];
        yield 'far too many' => [[...$row, 'count' => 100000], '/count', '1 to 512'];
    }

    /** @param array<string, mixed> $asked */
    #[DataProvider('wrong')]
    public function testWhatDoesNotFitIsRefused(array $asked, string $path, string $words): void
    {
        try {
            Deeds::read($asked)->lay(self::show());
            self::fail('it was done');
        } catch (ShowRefused $refused) {
            self::assertSame($path, $refused->faults[0]->path);
            self::assertStringContainsString($words, $refused->faults[0]->spelled());
        }
    }

    public function testOverlapsAreFoundUntilTheyAreMeant(): void
    {
        $show = self::show([['id' => 'c', 'first' => 3], ['id' => 'd', 'first' => 4, 'sharesWith' => ['c']]]);
        $pairs = array_map(
            static fn(array $one): array => [$one[0]->id, $one[1]->id, $one[2], $one[3]],
            Overlaps::unmeant($show->patch(), ['a', 'b', 'c', 'd']),
        );
        self::assertSame([['a', 'c', 3, 4], ['a', 'd', 4, 4]], $pairs, 'c and d say that they mean it');
    }

    /** No sequence of deeds loses a fixture, or leaves two owners of a slot that nobody is told of. */
    public function testNoSequenceOfDeedsLosesAFixture(): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(11));
        for ($run = 0; $run < 30; ++$run) {
            $show = self::show();
            $count = 2;
            for ($step = 0; $step < 12; ++$step) {
                $ids = array_map(strval(...), array_keys($show->fixtures));
                $some = array_values(array_intersect_key(
                    $ids,
                    array_flip((array) $random->pickArrayKeys($ids, $random->getInt(1, \count($ids)))),
                ));
                $deed = [
                    [
                        'kind' => 'row',
                        'count' => $random->getInt(1, 6),
                        'name' => 'New',
                        'profile' => 'four',
                        'universe' => 'palm',
                        'first' => $random->getInt(1, 512),
                        'goesOn' => true,
                    ],
                    [
                        'kind' => 'move',
                        'fixtures' => $some,
                        'universe' => ['palm', 'fern'][$random->getInt(0, 1)],
                        'first' => $random->getInt(1, 512),
                        'closeUp' => $random->getInt(0, 1) === 1,
                    ],
                    ['kind' => 'swap', 'fixture' => $ids[0], 'with' => $ids[\count($ids) - 1]],
                    ['kind' => 'renumber', 'fixtures' => $some, 'from' => $random->getInt(1, 99)],
                    [
                        'kind' => 'clone',
                        'fixture' => $some[0],
                        'count' => 2,
                        'universe' => 'fern',
                        'first' => $random->getInt(1, 512),
                    ],
                ][$random->getInt(0, 4)];
                try {
                    $laid = Deeds::read($deed)->lay($show);
                } catch (ShowRefused) {
                    continue;
                }
                $count += \count(array_filter($laid, static fn(Laid $one): bool => $one->id === ''));
                $show = self::done($show, $laid);
                self::assertCount($count, $show->fixtures);
                self::assertSame(
                    self::doubles($show),
                    \count(Overlaps::unmeant($show->patch(), array_map(strval(...), array_keys($show->fixtures)))),
                );
            }
        }
    }

    /** Pairs that have a slot together, counted slot by slot. */
    private static function doubles(Show $show): int
    {
        $pairs = [];
        foreach ($show->universes as $universe) {
            for ($slot = 1; $slot <= 512; ++$slot) {
                $here = array_map(static fn(array $one): string => $one[0]->id, $show->patch()->at($universe->id, $slot));
                sort($here);
                foreach ($here as $i => $one) {
                    foreach (\array_slice($here, $i + 1) as $other) {
                        $pairs["{$one} {$other}"] = true;
                    }
                }
            }
        }

        return \count($pairs);
    }

    /** @param list<Laid> $laid */
    private static function done(Show $show, array $laid): Show
    {
        $fixtures = array_map(
            static fn(Fixture $one): array => array_filter([
                'id' => $one->id,
                'name' => $one->name,
                'number' => $one->number,
                'profile' => 'four',
                'universe' => $one->universeId,
                'first' => $one->first,
            ]),
            $show->fixtures,
        );
        foreach ($laid as $one) {
            $id = $one->id === '' ? 'f'.\count($fixtures) : $one->id;
            $fixtures[$id] = array_filter([
                ...$fixtures[$one->like] ?? [],
                ...$fixtures[$id] ?? [],
                ...$one->fields,
                'id' => $id,
            ]);
        }

        return ShowReader::fromArray([...self::document(), 'fixtures' => array_values($fixtures)]);
    }

    /**
     * @param list<Laid> $laid
     *
     * @return array<string, array{mixed, mixed}> universe and address by id
     */
    private static function places(array $laid): array
    {
        $places = [];
        foreach ($laid as $one) {
            $places[$one->id] = [$one->fields['universe'], $one->fields['first']];
        }

        return $places;
    }

    /** @param list<array<string, mixed>> $more fixtures */
    private static function show(array $more = []): Show
    {
        return ShowReader::fromArray(self::document($more));
    }

    /**
     * @param list<array<string, mixed>> $more fixtures
     *
     * @return array<string, mixed>
     */
    private static function document(array $more = []): array
    {
        $fixtures = [
            ['id' => 'a', 'name' => 'A', 'first' => 1],
            ['id' => 'b', 'name' => 'B', 'first' => 9, 'number' => 7],
            ...$more,
        ];

        return [...Rig::document(),
            'universes' => [['id' => 'palm', 'name' => 'Palm House'], ['id' => 'fern', 'name' => 'Fern Gallery']],
            'profiles' => [[
                'id' => 'four',
                'name' => 'Four',
                'parameters' => array_map(static fn(int $i): array => ['name' => "p{$i}"], range(1, 4)),
            ]],
            'fixtures' => array_map(
                static fn(array $one): array => [
                    'name' => strtoupper($one['id']),
                    ...$one,
                    'profile' => 'four',
                    'universe' => 'palm',
                ],
                $fixtures,
            ),
        ];
    }
}
