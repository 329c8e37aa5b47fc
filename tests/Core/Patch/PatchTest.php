<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Patch;

use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Patch\Parameter;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Patch\Profile;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Which fixture listens where, and what that says about slots. */
final class PatchTest extends TestCase
{
    /**
     * @return iterable<string, array{list<int>, list<array{int, int}>}> slots of each profile, first and last slot of
     * each fixture one after the other
     */
    public static function rows(): iterable
    {
        // All of these: common practice, no source.
        yield 'a 4-slot fixture at 1 and a 6-slot one after it' => [[4, 6], [[1, 4], [5, 10]]];
        yield 'two 16-slot fixtures' => [[16, 16], [[1, 16], [17, 32]]];
        yield 'two 4-slot fixtures' => [[4, 4], [[1, 4], [5, 8]]];
        yield 'four fixtures of five parameters take 20 slots' => [[5, 5, 5, 5], [[1, 5], [6, 10], [11, 15], [16, 20]]];
        yield 'nine of five take 45' => [
            array_fill(0, 9, 5),
            array_map(static fn(int $i): array => [5 * $i + 1, 5 * $i + 5], range(0, 8)),
        ];
        yield 'a whole universe of single slots' => [
            array_fill(0, 512, 1),
            array_map(static fn(int $slot): array => [$slot, $slot], range(1, 512)),
        ];
    }

    /**
     * @param list<int> $widths
     * @param list<array{int, int}> $wanted
     */
    #[DataProvider('rows')]
    public function testTheNextFreeAddressIsTheOneAfterTheLast(array $widths, array $wanted): void
    {
        $profiles = $fixtures = $runs = [];
        foreach ($widths as $i => $width) {
            $profiles["p{$width}"] = new Profile(
                "p{$width}",
                "{$width} slots",
                array_map(static fn(int $one): Parameter => new Parameter("parameter {$one}"), range(1, $width)),
            );
            $patch = new Patch($profiles, $fixtures);
            $fixtures["f{$i}"] = new Fixture("f{$i}", "Fixture {$i}", "p{$width}", 'palm', (int) $patch->nextFree('palm'));
            $runs[] = [$fixtures["f{$i}"]->first, (new Patch($profiles, $fixtures))->lastSlot($fixtures["f{$i}"])];
        }
        self::assertSame($wanted, $runs);
        $last = end($wanted)[1];
        self::assertSame($last === 512 ? null : $last + 1, (new Patch($profiles, $fixtures))->nextFree('palm'));
        self::assertSame(1, (new Patch($profiles, $fixtures))->nextFree('elsewhere'));
    }

    public function testAValueTakesItsSlotsTheCoarsestFirst(): void
    {
        self::assertSame([128], (new Parameter('level', 1))->levels(0.5));
        self::assertSame([0x80, 0x00], (new Parameter('pan', 2))->levels(0.5), '65535 halves are 32768');
        self::assertSame(
            [0x73, 0x33],
            (new Parameter('tilt', 2))->levels(0.45),
            '45 % is a usual start for a tilt sweep (common practice, no source)',
        );
        self::assertSame([0x55, 0x55, 0x55], (new Parameter('fine', 3))->levels(1 / 3));
        self::assertSame([[0, 0], [255, 255], [255, 255]], array_map((new Parameter('pan', 2))->levels(...), [-1.0, 1.0, 7.0]));
        for ($value = 0; $value <= 65535; $value += 257) {
            [$coarse, $fine] = (new Parameter('pan', 2))->levels($value / 65535);
            self::assertSame($value, $coarse << 8 | $fine, 'no precision is lost');
        }
    }

    public function testSharedSlotsAreNamed(): void
    {
        $patch = $this->patch([['a', 1], ['b', 3], ['c', 5]]);
        $names = static fn(Fixture $one): array => array_map(
            static fn(Fixture $other): string => $other->name,
            $patch->sharing($one),
        );
        self::assertSame([['B'], ['A', 'C'], ['B']], array_map($names, array_values($patch->fixtures)));
        self::assertSame([], $this->patch([['a', 1], ['b', 5]])->sharing($patch->fixtures['a']));
    }

    /** HTP for intensity, LTP for the rest is the usual rule (common practice, no source). */
    public function testTheRuleSlotBySlotComesFromThePatch(): void
    {
        $rig = new Rig([
            'universes' => [['id' => 'palm', 'name' => 'Palm House', 'merge' => 'slot', 'latest' => [['first' => 9]]]],
            'profiles' => [
                [
                    'id' => 'spot',
                    'name' => 'Spot',
                    'parameters' => [['name' => 'pan', 'slots' => 2], ['name' => 'level', 'intensity' => true]],
                ],
            ],
            'fixtures' => [['id' => 'left', 'name' => 'Left', 'profile' => 'spot', 'universe' => 'palm', 'first' => 2]],
        ]);
        $rig->artNet([1 => 200, 2 => 200, 3 => 200, 4 => 200, 9 => 200]);
        $rig->now += 0.1;
        $rig->sacn([1 => 100, 2 => 100, 3 => 100, 4 => 100, 9 => 100]);
        self::assertSame(
            [200, 100, 100, 200, 100],
            $rig->levelsOf(1, 2, 3, 4, 9),
            'an unpatched slot and the level by the highest, pan and the named slot by the latest',
        );
    }

    public function testAnEditOfThePatchMakesNoLampBlink(): void
    {
        $rig = new Rig(['universes' => [['id' => 'palm', 'name' => 'Palm House', 'merge' => 'slot']]]);
        $rig->artNet([1 => 200, 2 => 150]);
        $before = $rig->junction->universes()['palm']->levels;
        $rig->adopt([
            'universes' => [['id' => 'palm', 'name' => 'Palm House', 'merge' => 'slot']],
            'profiles' => [['id' => 'one', 'name' => 'One', 'parameters' => [['name' => 'colour']]]],
            'fixtures' => [['id' => 'lamp', 'name' => 'Lamp', 'profile' => 'one', 'universe' => 'palm', 'first' => 2]],
        ]);
        self::assertSame($before, $rig->junction->universes()['palm']->levels);
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function wrong(): iterable
    {
        $profile = ['id' => 'spot', 'name' => 'Spot', 'parameters' => [['name' => 'pan', 'slots' => 2], ['name' => 'level']]];
        $fixture = ['id' => 'left', 'name' => 'Left', 'profile' => 'spot', 'universe' => 'palm', 'first' => 1];
        yield 'past the end' => [
            ['profiles' => [$profile], 'fixtures' => [[...$fixture, 'first' => 511]]],
            '/fixtures/0/first',
            'would end at slot 513. It takes 3 slots: begin at 510 or below.',
        ];
        yield 'an unknown profile' => [
            ['profiles' => [$profile], 'fixtures' => [[...$fixture, 'profile' => 'wash']]],
            '/fixtures/0/profile',
            'there is no profile "wash", and "Left" is of it. Profiles are: spot.',
        ];
        yield 'no profile at all' => [['fixtures' => [$fixture]], '/fixtures/0/profile', 'Profiles are: none yet.'];
        yield 'an unknown universe' => [
            ['profiles' => [$profile], 'fixtures' => [[...$fixture, 'universe' => 'nowhere']]],
            '/fixtures/0/universe',
            'Universes are: palm',
        ];
        yield 'five slots for one parameter' => [
            ['profiles' => [[...$profile, 'parameters' => [['name' => 'pan', 'slots' => 5]]]]],
            '/profiles/0/parameters/0/slots',
            '1 to 4',
        ];
        yield 'a slot of two parameters' => [
            [
                'profiles' => [
                    [...$profile, 'parameters' => [['name' => 'pan', 'at' => [1, 3]], ['name' => 'tilt', 'at' => [3, 4]]]],
                ],
            ],
            '/profiles/0/parameters/1/at',
            'slot 3 belongs to "pan" already',
        ];
        yield 'fewer places than slots' => [
            ['profiles' => [[...$profile, 'parameters' => [['name' => 'pan', 'slots' => 2, 'at' => [1]]]]]],
            '/profiles/0/parameters/0/at',
            '1 slots are named, and it takes 2',
        ];
        yield 'half a slot' => [
            ['profiles' => [[...$profile, 'parameters' => [['name' => 'pan', 'at' => [1, 2.5]]]]]],
            '/profiles/0/parameters/0/at',
            'whole numbers from 1 to 512',
        ];
        yield 'a name twice' => [
            ['profiles' => [[...$profile, 'parameters' => [['name' => 'pan'], ['name' => 'pan']]]]],
            '/profiles/0/parameters/1/name',
            '"pan" is there twice',
        ];
        yield 'no parameter' => [
            ['profiles' => [[...$profile, 'parameters' => []]]],
            '/profiles/0/parameters',
            'Give at least one parameter.',
        ];
        yield 'too many slots' => [
            ['profiles' => [[
                ...$profile,
                'parameters' => array_map(static fn(int $i): array => ['name' => "p{$i}", 'slots' => 3], range(1, 171)),
            ]]],
            '/profiles/0/parameters',
            'they take 513 slots',
        ];
    }

    /** @param array<string, mixed> $parts */
    #[DataProvider('wrong')]
    public function testWhatDoesNotFitIsRefused(array $parts, string $path, string $words): void
    {
        try {
            ShowReader::fromArray([...Rig::document(), ...$parts]);
            self::fail('it was taken');
        } catch (ShowRefused $refused) {
            self::assertSame($path, $refused->faults[0]->path);
            self::assertStringContainsString($words, $refused->faults[0]->spelled());
        }
    }

    /** @param list<array{string, int}> $fixtures id and address, each of four slots */
    private function patch(array $fixtures): Patch
    {
        $profile = new Profile('four', 'Four', array_map(static fn(int $i): Parameter => new Parameter("p{$i}"), range(1, 4)));
        $made = [];
        foreach ($fixtures as [$id, $first]) {
            $made[$id] = new Fixture($id, strtoupper($id), 'four', 'palm', $first);
        }

        return new Patch(['four' => $profile], $made);
    }
}
