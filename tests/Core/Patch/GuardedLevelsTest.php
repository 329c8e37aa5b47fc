<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Patch;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Defaults below everything, what is never driven above everything, and what goes along when a fixture is moved. */
final class GuardedLevelsTest extends TestCase
{
    public function testDefaultsShowWhereNobodyGivesALevel(): void
    {
        $rig = new Rig(self::show([['id' => 'left', 'first' => 11]]));
        self::assertSame([0, 128, 0, 0, 3], $rig->levelsOf(11, 12, 13, 14, 15), 'nobody has spoken, the patch has');
        self::assertStringContainsString('at its default', $rig->junction->universes()['palm']->explain(11));
        $rig->osc('/left', 50);
        self::assertSame([128, 128, 0], $rig->levelsOf(11, 12, 13), 'a route gives the level, the rest stays');
        $rig->artNet([11 => 200, 12 => 7]);
        self::assertSame([200, 7, 0], $rig->levelsOf(11, 12, 13), 'a desk gives all slots');
        $rig->pass(15.0);
        self::assertSame([128, 7, 0], $rig->levelsOf(11, 12, 13), 'what it left stays, below the route and above the defaults');
        $rig->adopt(self::show([['id' => 'left', 'first' => 11]], ['default' => 99]));
        self::assertSame([128, 7, 0], $rig->levelsOf(11, 12, 13));
    }

    public function testADefaultThatIsEditedShowsAtOnce(): void
    {
        $rig = new Rig(self::show([['id' => 'left', 'first' => 11]]));
        $rig->adopt(self::show([['id' => 'left', 'first' => 11]], ['default' => 99]));
        self::assertSame(99, $rig->level(12));
    }

    public function testWhatIsNeverDrivenLeavesAtItsDefaultWhoeverAsks(): void
    {
        $rig = new Rig([...self::show([['id' => 'left', 'first' => 11]]), 'routes' => [
            [
                'id' => 'reset',
                'name' => 'Reset',
                'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/reset'],
                'do' => [['kind' => 'set', 'point' => 'fixture:left/reset']],
            ],
            [
                'id' => 'slot',
                'name' => 'Slot',
                'from' => ['kind' => 'message', 'port' => 'tablet', 'address' => '/slot'],
                'to' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 15],
            ],
        ]]);
        $rig->artNet([15 => 200]);
        $rig->sacn([15 => 201]);
        $rig->osc('/reset', 100);
        $rig->osc('/slot', 1.0);
        self::assertSame(3, $rig->level(15));
        $rig->junction->hold('palm', [new Hold(14, 255, 'somebody', $rig->nanos() + 9_000_000_000)], $rig->nanos());
        self::assertSame(3, $rig->level(15), 'a hold too');
        self::assertStringContainsString('never driven', $rig->junction->universes()['palm']->explain(14));
        $rig->junction->hold('palm', [new Hold(14, 255, 'somebody', $rig->nanos() + 9_000_000_000, true)], $rig->nanos());
        self::assertSame(255, $rig->level(15), 'unlocked for this once');
        $rig->pass(10.0);
        self::assertSame(3, $rig->level(15), 'and over with its time');
        $reference = Reference::parse('fixture:left/reset');
        self::assertNotNull($reference);
        [$refusal] = $rig->junction->set($reference, 50, new Act('test', 'Test'), $rig->nanos());
        self::assertStringContainsString('Left, reset is never driven', $refusal);
    }

    public function testAParameterIsSetAndReadInItsUnit(): void
    {
        $rig = new Rig(self::show([['id' => 'left', 'first' => 11]]));
        $rig->osc('/pan', 90);
        self::assertSame([0xAA, 0xAA], $rig->levelsOf(13, 14), '90° of -270 to 270 are two thirds of the way');
        $reference = Reference::parse('fixture:left/pan');
        self::assertNotNull($reference);
        self::assertEqualsWithDelta(90.0, $rig->junction->points()->read($reference), 0.01);
        $point = $rig->junction->points()->describe($reference);
        self::assertSame(['Left, pan', -270.0, 270.0, '°'], [$point?->name, $point?->low, $point?->high, $point?->unit]);
    }

    public function testWhatRoutesGiveGoesAlongWhenAFixtureMoves(): void
    {
        $rig = new Rig(self::show([['id' => 'left', 'first' => 11]]));
        $rig->osc('/left', 80);
        $rig->osc('/pan', 90);
        foreach ([
            [['id' => 'left', 'first' => 101]],
            [['id' => 'left', 'first' => 102]],
            [['id' => 'left', 'first' => 11]],
        ] as $fixtures) {
            $rig->adopt(self::show($fixtures));
            $first = $fixtures[0]['first'];
            self::assertSame(
                [204, 0xAA, 0xAA],
                $rig->levelsOf($first, $first + 2, $first + 3),
                'also where its old slots and its new ones overlap',
            );
            self::assertSame(0, $rig->level($first === 11 ? 101 : 11));
        }
    }

    public function testTwoThatChangePlacesKeepWhatIsTheirs(): void
    {
        $rig = new Rig(self::show([['id' => 'left', 'first' => 11], ['id' => 'right', 'first' => 21]]));
        $rig->osc('/left', 20);
        $rig->osc('/right', 100);
        $rig->junction->hold('palm', [new Hold(11, 77, 'somebody', $rig->nanos() + 60_000_000_000)], $rig->nanos());
        self::assertSame([51, 255, 77], $rig->levelsOf(11, 21, 12));
        $rig->adopt(self::show([['id' => 'left', 'first' => 21], ['id' => 'right', 'first' => 11]]));
        self::assertSame([255, 51, 128, 77], $rig->levelsOf(11, 21, 12, 22), 'the hold on a parameter goes along too');
        self::assertStringContainsString('by somebody', $rig->junction->universes()['palm']->explain(21));
    }

    public function testAFixtureGoesToAnotherUniverseAndToAFinerMode(): void
    {
        $show = static fn(string $universe, int $slots): array => [
            'universes' => [['id' => 'palm', 'name' => 'Palm House'], ['id' => 'fern', 'name' => 'Fern Gallery']],
            'profiles' => [[
                'id' => 'spot',
                'name' => 'Spot',
                'parameters' => [['name' => 'level', 'slots' => $slots, 'role' => 'dimmer']],
            ]],
            'fixtures' => [['id' => 'left', 'name' => 'Left', 'profile' => 'spot', 'universe' => $universe, 'first' => 11]],
            'routes' => [self::route('left', '/left', 'fixture:left/level')],
        ];
        $rig = new Rig($show('palm', 1));
        $rig->osc('/left', 100);
        $rig->adopt($show('fern', 1));
        self::assertSame([0, 255], [$rig->level(11), $rig->level(11, 'fern')]);
        $rig->adopt($show('fern', 2));
        self::assertSame([255, 255], [$rig->level(11, 'fern'), $rig->level(12, 'fern')], 'as far on its way in 16 bits');
    }

    public function testARouteThatNamesASlotStaysThere(): void
    {
        $rig = new Rig([...self::show([['id' => 'left', 'first' => 11]]), 'routes' => [
            [
                'id' => 'slot',
                'name' => 'Slot',
                'from' => ['kind' => 'message', 'port' => 'tablet', 'address' => '/slot'],
                'to' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 11],
            ],
        ]]);
        $rig->osc('/slot', 1.0);
        $rig->adopt([...self::show([['id' => 'left', 'first' => 101]]), 'routes' => $rig->document['routes']]);
        self::assertSame([255, 0], $rig->levelsOf(11, 101));
    }

    /**
     * @param list<array{id: string, first: int}> $fixtures
     * @param array<string, mixed> $zoom what its second parameter says otherwise
     *
     * @return array<string, mixed>
     */
    private static function show(array $fixtures, array $zoom = []): array
    {
        return [
            'profiles' => [['id' => 'spot', 'name' => 'Spot', 'parameters' => [
                ['name' => 'level', 'role' => 'dimmer'],
                ['name' => 'zoom', 'role' => 'zoom', 'default' => 128, ...$zoom],
                ['name' => 'pan', 'role' => 'pan', 'slots' => 2, 'unit' => '°', 'physical' => [-270, 270]],
                ['name' => 'reset', 'role' => 'reset', 'neverDriven' => true, 'default' => 3],
            ]]],
            'fixtures' => array_map(
                static fn(array $one): array => [
                    ...$one,
                    'name' => ucfirst($one['id']),
                    'profile' => 'spot',
                    'universe' => 'palm',
                ],
                $fixtures,
            ),
            'routes' => [
                ...array_map(
                    static fn(array $one): array => self::route($one['id'], "/{$one['id']}", "fixture:{$one['id']}/level"),
                    $fixtures,
                ),
                self::route('pan', '/pan', 'fixture:left/pan'),
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function route(string $id, string $address, string $point): array
    {
        return [
            'id' => "r-{$id}",
            'name' => $id,
            'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => $address],
            'do' => [['kind' => 'set', 'point' => $point]],
        ];
    }
}
