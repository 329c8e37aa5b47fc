<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Patch;

use NimbleJunction\Core\Patch\NamedRange;
use NimbleJunction\Core\Patch\Parameter;
use NimbleJunction\Core\Patch\ParameterKind;
use NimbleJunction\Core\Patch\Profile;
use NimbleJunction\Core\Patch\Role;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What the slots of a kind of fixture mean. */
final class ProfileTest extends TestCase
{
    public function testValuesAreExactAtBothEndsInEveryWidth(): void
    {
        foreach ([1 => 255, 2 => 65535, 3 => 16777215, 4 => 4294967295] as $slots => $highest) {
            $parameter = new Parameter('pan', $slots, unit: '°', physical: [-270.0, 270.0]);
            self::assertSame([0, $highest], [$parameter->value(0.0), $parameter->value(1.0)]);
            self::assertSame(array_fill(0, $slots, 255), $parameter->levels(1.0));
            self::assertSame(
                [-270.0, 270.0],
                [$parameter->inUnit($parameter->share(0)), $parameter->inUnit($parameter->share($highest))],
            );
            self::assertSame(
                [0, $highest],
                [$parameter->value($parameter->shareOf(-300.0)), $parameter->value($parameter->shareOf(300.0))],
                'kept within its ends',
            );
        }
    }

    public function testEveryValueOf16BitsComesBackFromItsUnit(): void
    {
        $parameter = new Parameter('pan', 2, unit: '°', physical: [-270.0, 270.0]);
        $inverted = new Parameter('tilt', 2, inverted: true, unit: '°', physical: [0.0, 265.5]);
        for ($value = 0; $value <= 65535; ++$value) {
            if ($parameter->value($parameter->shareOf($parameter->inUnit($parameter->share($value)))) !== $value) {
                self::fail("{$value} does not come back");
            }
            if ($inverted->value($inverted->shareOf($inverted->inUnit($inverted->share($value)))) !== $value) {
                self::fail("{$value} does not come back from the inverted one");
            }
        }
        self::assertSame([65535, 0], [$inverted->value(0.0), $inverted->value(1.0)]);
        foreach ([0, 1, 77, 2147483647, 4294967294, 4294967295] as $value) {
            $wide = new Parameter('position', 4);
            self::assertSame($value, $wide->value($wide->share($value)));
        }
    }

    /** Where 0 means "no change" a device begins at 1 (common practice, no source). */
    public function testADevicesOwnTerms(): void
    {
        $clip = new Parameter('clip', 1, from: 1);
        self::assertSame([1, 255, 128], [$clip->value(0.0), $clip->value(1.0), $clip->value(0.5)]);
        self::assertSame([0.0, 0.0, 1.0], array_map($clip->share(...), [0, 1, 255]));
    }

    /** A strobe that flashes from 0.5 to 25 Hz between 17 and 131: common practice, no source. */
    public function testNamedRangesInTheirUnits(): void
    {
        $strobe = new Parameter('strobe', 1, role: Role::Strobe, ranges: [
            new NamedRange('closed', 0, 16),
            new NamedRange('slow to fast', 17, 131, 'Hz', [0.5, 25.0]),
            new NamedRange('open', 132, 255),
        ]);
        self::assertSame(['closed', 'closed', 'slow to fast', 'slow to fast', 'open'], array_map(
            static fn(int $value): ?string => $strobe->rangeAt($value)?->name,
            [0, 16, 17, 131, 132],
        ));
        $flashing = $strobe->ranges[1];
        self::assertSame([17, 131, 17, 131], array_map($flashing->value(...), [0.5, 25.0, 0.0, 99.0]));
        self::assertSame([0.5, 25.0, 12.75], array_map($flashing->physical(...), [17, 131, 74]));
        self::assertSame(ParameterKind::Beam, $strobe->kind, 'its role says of what kind it is');
    }

    /** A bar with a dimmer and twelve cells of red, green and blue takes 1 + 12 × 3 = 37 slots. */
    public function testCellsAreWrittenOut(): void
    {
        $rgb = [['name' => 'red', 'role' => 'red'], ['name' => 'green', 'role' => 'green'], ['name' => 'blue', 'role' => 'blue']];
        $bar = self::profile([
            'parameters' => [['name' => 'level', 'role' => 'dimmer']],
            'cells' => [['id' => 'cell', 'name' => 'Cell', 'count' => 12, 'parameters' => $rgb]],
        ]);
        $footprint = $bar->mode('')->footprint;
        self::assertSame(37, $footprint->slots);
        self::assertSame([2, 3, 4], self::slots($bar, 'cell-1/red', 'cell-1/green', 'cell-1/blue'));
        self::assertSame([35, 36, 37], self::slots($bar, 'cell-12/red', 'cell-12/green', 'cell-12/blue'));
        self::assertSame('Cell 3 red', $footprint->find('cell-3/red')?->name);
        self::assertNull($footprint->find('cell-13/red'));
        $apart = self::profile(['cells' => [[
            'id' => 'cell',
            'name' => 'Cell',
            'count' => 3,
            'at' => [2],
            'every' => 10,
            'parameters' => [['name' => 'pan', 'at' => [1, 3]]],
        ]]]);
        self::assertSame(
            [[2, 4], [12, 14], [22, 24]],
            array_map(static fn(int $i): ?array => $apart->mode('')->footprint->find("cell-{$i}/pan")?->slots, [1, 2, 3]),
        );
        $listed = self::profile(['cells' => [[
            'id' => 'cell',
            'name' => 'Cell',
            'count' => 3,
            'at' => [7, 1, 4],
            'parameters' => $rgb,
        ]]]);
        self::assertSame([7, 1, 4], self::slots($listed, 'cell-1/red', 'cell-2/red', 'cell-3/red'));
    }

    public function testModesHaveParametersOfTheirOwn(): void
    {
        $profile = self::profile(['modes' => [
            ['id' => 'small', 'name' => 'Small', 'parameters' => [['name' => 'pan'], ['name' => 'level', 'kind' => 'intensity']]],
            [
                'id' => 'large',
                'name' => 'Large',
                'parameters' => [['name' => 'pan', 'slots' => 2], ['name' => 'level', 'kind' => 'intensity']],
            ],
        ]]);
        self::assertSame(
            [2, 3, 2],
            [
                $profile->mode('small')->footprint->slots,
                $profile->mode('large')->footprint->slots,
                $profile->mode('')->footprint->slots,
            ],
        );
        $show = ShowReader::fromArray([...Rig::document(),
            'profiles' => [[
                'id' => 'spot',
                'name' => 'Spot',
                'modes' => [[
                    'id' => 'large',
                    'name' => 'Large',
                    'parameters' => [['name' => 'pan', 'slots' => 2], ['name' => 'level', 'kind' => 'intensity']],
                ]],
            ]],
            'fixtures' => [[
                'id' => 'left',
                'name' => 'Left',
                'profile' => 'spot',
                'mode' => 'large',
                'universe' => 'palm',
                'first' => 10,
            ]],
        ]);
        self::assertSame([9, 10], $show->patch()->find('left', 'pan')?->slots);
        self::assertSame(12, $show->patch()->lastSlot($show->fixtures['left']));
    }

    /** HTP for intensity, LTP for the rest (common practice, no source); a parameter, and a fixture, may say otherwise. */
    public function testPrecedenceByKindByParameterAndByFixture(): void
    {
        $show = ShowReader::fromArray([...Rig::document(),
            'profiles' => [['id' => 'spot', 'name' => 'Spot', 'parameters' => [
                ['name' => 'level', 'role' => 'dimmer'],
                ['name' => 'old', 'intensity' => true],
                ['name' => 'red', 'role' => 'red'],
                ['name' => 'haze', 'kind' => 'other', 'precedence' => 'htp'],
                ['name' => 'key', 'kind' => 'intensity', 'precedence' => 'ltp'],
            ]]],
            'fixtures' => [
                ['id' => 'left', 'name' => 'Left', 'profile' => 'spot', 'universe' => 'palm', 'first' => 1],
                [
                    'id' => 'right',
                    'name' => 'Right',
                    'profile' => 'spot',
                    'universe' => 'palm',
                    'first' => 11,
                    'precedences' => [['parameter' => 'red', 'precedence' => 'htp'], ['parameter' => 'level']],
                ],
            ],
        ]);
        $latest = $show->patch()->latest('palm');
        self::assertSame([0, 0, 255, 0, 255], array_map(static fn(int $slot): int => \ord($latest[$slot]), range(0, 4)));
        self::assertSame([255, 0, 0, 0, 255], array_map(static fn(int $slot): int => \ord($latest[$slot]), range(10, 14)));
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function wrong(): iterable
    {
        $pan = ['name' => 'pan'];
        yield 'a default past its slots' => [
            ['parameters' => [[...$pan, 'default' => 256]]],
            '/profiles/0/parameters/0/default',
            'it goes from 0 to 255',
        ];
        yield 'a range past its slots' => [
            ['parameters' => [[...$pan, 'ranges' => [['name' => 'open', 'first' => 10, 'last' => 300]]]]],
            '/profiles/0/parameters/0/ranges/0/last',
            '0 to 255',
        ];
        yield 'a range that runs back' => [
            ['parameters' => [[...$pan, 'ranges' => [['name' => 'open', 'first' => 10, 'last' => 3]]]]],
            '/profiles/0/parameters/0/ranges/0/last',
            'from 10 to',
        ];
        yield 'from above to' => [
            ['parameters' => [[...$pan, 'from' => 200, 'to' => 100]]],
            '/profiles/0/parameters/0/to',
            'say that it is inverted',
        ];
        yield 'no way between its ends' => [
            ['parameters' => [[...$pan, 'unit' => '°', 'physical' => [90, 90]]]],
            '/profiles/0/parameters/0/physical',
            'both ends are the same',
        ];
        yield 'modes and parameters' => [
            ['parameters' => [$pan], 'modes' => [['id' => 'a', 'name' => 'A', 'parameters' => [$pan]]]],
            '/profiles/0/parameters',
            'there are modes as well',
        ];
        yield 'a mode twice' => [
            ['modes' => [
                ['id' => 'a', 'name' => 'A', 'parameters' => [$pan]],
                ['id' => 'a', 'name' => 'B', 'parameters' => [$pan]],
            ]],
            '/profiles/0/modes/1/id',
            'used twice',
        ];
        yield 'an empty mode' => [
            ['modes' => [['id' => 'a', 'name' => 'A']]],
            '/profiles/0/modes/0/parameters',
            'there are none',
        ];
        yield 'cells on one another' => [
            ['cells' => [['id' => 'c', 'name' => 'C', 'count' => 2, 'every' => 1, 'parameters' => [$pan, ['name' => 'tilt']]]]],
            '/profiles/0/cells/0/at',
            'slot 2 belongs to "C 1 tilt" already',
        ];
        yield 'places for some cells' => [
            ['cells' => [['id' => 'c', 'name' => 'C', 'count' => 3, 'at' => [1, 5], 'parameters' => [$pan]]]],
            '/profiles/0/cells/0/at',
            '2 slots are named for 3 cells',
        ];
        yield 'cells past a universe' => [
            ['cells' => [['id' => 'c', 'name' => 'C', 'count' => 257, 'parameters' => [$pan, ['name' => 'tilt']]]]],
            '/profiles/0/parameters',
            'they take 514 slots',
        ];
        $many = array_map(static fn(int $i): array => ['name' => "p{$i}"], range(1, 512));
        $blocks = array_map(
            static fn(int $i): array => ['id' => "c{$i}", 'name' => 'C', 'count' => 512, 'parameters' => $many],
            range(1, 64),
        );
        yield 'sixteen million parameters' => [['modes' => array_map(static fn(int $i): array => ['id' => "m{$i}", 'name' => 'M', 'cells' => $blocks], [1, 2])], '/profiles/0/modes/0/parameters', 'A universe has 512'];
        yield 'cells of nothing' => [['cells' => [['id' => 'c', 'name' => 'C', 'count' => 2]]], '/profiles/0/cells/0/parameters', 'at least one parameter'];
        yield 'an unknown role' => [
            ['parameters' => [[...$pan, 'role' => 'sparkle']]],
            '/profiles/0/parameters/0/role',
            'Use one of: dimmer, red',
        ];
        yield 'an unknown colour' => [
            ['parameters' => [[...$pan, 'ranges' => [['name' => 'red', 'first' => 0, 'colour' => 'red']]]]],
            '/profiles/0/parameters/0/ranges/0/colour',
            '#ff8800',
        ];
    }

    /** @param array<string, mixed> $fields */
    #[DataProvider('wrong')]
    public function testWhatDoesNotFitIsRefused(array $fields, string $path, string $words): void
    {
        try {
            self::profile($fields);
            self::fail('it was taken');
        } catch (ShowRefused $refused) {
            self::assertSame($path, $refused->faults[0]->path);
            self::assertStringContainsString($words, $refused->faults[0]->spelled());
        }
    }

    public function testAModeOrAPartnerThatIsNotThereIsRefused(): void
    {
        $profile = [
            'id' => 'spot',
            'name' => 'Spot',
            'modes' => [['id' => 'small', 'name' => 'Small', 'parameters' => [['name' => 'pan']]]],
        ];
        $fixture = ['id' => 'left', 'name' => 'Left', 'profile' => 'spot', 'universe' => 'palm', 'first' => 1];
        foreach ([
            ['mode' => 'tiny', '/fixtures/0/mode', 'Modes are: small.'],
            ['sharesWith' => ['gone'], '/fixtures/0/sharesWith/0', 'there is no fixture, no pixel map and no offer "gone"'],
            ['precedences' => [['parameter' => 'gone']], '/fixtures/0/precedences/0/parameter', 'Parameters are: pan.'],
            ['number' => 100000, '/fixtures/0/number', '1 to 99999'],
        ] as $fields) {
            [$path, $words] = [$fields[0], $fields[1]];
            try {
                ShowReader::fromArray([
                    ...Rig::document(),
                    'profiles' => [$profile],
                    'fixtures' => [[...$fixture, ...array_diff_key($fields, [0, 1])]],
                ]);
                self::fail('it was taken');
            } catch (ShowRefused $refused) {
                self::assertSame($path, $refused->faults[0]->path);
                self::assertStringContainsString($words, $refused->faults[0]->spelled());
            }
        }
    }

    /** @param array<string, mixed> $fields */
    private static function profile(array $fields): Profile
    {
        return ShowReader::fromArray([
            ...Rig::document(),
            'profiles' => [['id' => 'spot', 'name' => 'Spot', ...$fields]],
        ])->profiles['spot'];
    }

    /** @return list<int|null> the first slot of each */
    private static function slots(Profile $profile, string ...$keys): array
    {
        return array_map(
            static fn(string $key): ?int => $profile->mode('')->footprint->find($key)?->slots[0],
            array_values($keys),
        );
    }
}
