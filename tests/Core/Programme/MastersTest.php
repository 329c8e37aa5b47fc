<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Programme;

use NimbleJunction\Core\Programme\Master;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Universe\Light;
use NimbleJunction\Core\Universe\Mastering;
use NimbleJunction\Tests\Support\Evening;
use PHPUnit\Framework\TestCase;

/** Masters against their formula: minimum + (maximum − minimum) × curve(level), of intensities alone. */
final class MastersTest extends TestCase
{
    public function testEverySixteenBitValueIsScaledByTheFormula(): void
    {
        $mastering = new Mastering([new Light([0, 1], 0, ['m'])], ['m' => 'M']);
        foreach ([0.375, 0.5, 0.999] as $share) {
            $mastering->use(['m' => $share], false, []);
            $levels = str_repeat("\0", 512);
            for ($value = 0; $value <= 65535; ++$value) {
                $is = $mastering->apply(substr_replace($levels, pack('n', $value), 0, 2));
                if (unpack('n', $is)[1] !== (int) round($value * $share)) {
                    self::fail("{$value} at {$share}");
                }
            }
        }
        self::assertFalse($mastering->isFull());
    }

    public function testIntensitiesAreScaledAndNothingElseMoves(): void
    {
        $evening = self::with([['id' => 'grand', 'name' => 'Grand master']]);
        for ($value = 0; $value <= 65535; $value += 257) {
            foreach ([0, 37.5, 100] as $level) {
                $evening->set('master:grand', $level);
                $evening->rig->artNet([1 => $value >> 8, 3 => $value >> 8, 4 => $value & 255, 5 => 200, 7 => 100]);
                $is = $evening->levels();
                self::assertSame((int) round($value * $level / 100), $is[2] * 256 + $is[3], "{$value} at {$level}");
                self::assertSame((int) round(($value >> 8) * $level / 100), $is[0]);
                self::assertSame([200, 100], [$is[4], $is[6]], 'position and colour are as they were');
            }
        }
    }

    public function testCurvesAgainstTheirDefinition(): void
    {
        foreach ([
            'linear' => static fn(float $x): float => $x,
            'square' => static fn(float $x): float => $x ** 2,
            'logarithmic' => static fn(float $x): float => log10(1 + 9 * $x),
        ] as $curve => $definition) {
            $master = new Master('m', 'M', curve: $curve, low: 10.0, high: 90.0);
            for ($level = 0.0; $level <= 100.0; $level += 0.5) {
                self::assertEqualsWithDelta((10 + 80 * $definition($level / 100)) / 100, $master->share($level), 1e-12);
            }
        }
    }

    public function testWhatEachIsOver(): void
    {
        $evening = self::with([
            ['id' => 'own', 'name' => 'Own', 'over' => 'programme'],
            ['id' => 'doors', 'name' => 'Doors', 'over' => 'looks', 'looks' => ['doors']],
            ['id' => 'lamps', 'name' => 'Lamps', 'over' => 'groups', 'groups' => ['all']],
            ['id' => 'one', 'name' => 'One', 'over' => 'fixtures', 'fixtures' => ['b']],
            ['id' => 'house', 'name' => 'House', 'over' => 'universes', 'universes' => ['palm']],
        ]);
        $evening->rig->artNet([2 => 100]);
        $evening->press('look:doors');
        self::assertSame([255, 100], \array_slice($evening->levels(), 0, 2));
        foreach ([
            ['own', 50, [128, 100]],
            ['doors', 50, [64, 100]],
            ['lamps', 50, [32, 50]],
            ['one', 50, [32, 25]],
            ['house', 0, [0, 0]],
        ] as [$id, $level, $expected]) {
            $evening->set("master:{$id}", $level);
            self::assertSame($expected, \array_slice($evening->levels(), 0, 2), $id);
        }
        self::assertSame(255, $evening->levels()[4], 'the pan of the look');
        $words = $evening->rig->junction->universes()['palm']->explain(1);
        self::assertStringContainsString('Scaled to 0 % by Lamps 50 % and One 50 % and House 0 %.', $words);
        $evening->set('look:doors', 80);
        $words = $evening->rig->junction->universes()['palm']->explain(0);
        self::assertStringContainsString('Look "Doors" at 80 %, masters leave 25 % of its light', $words);
    }

    public function testZeroFullResetFlashSoloAndLinked(): void
    {
        $evening = self::with([
            ['id' => 'a', 'name' => 'A', 'over' => 'fixtures', 'fixtures' => ['a'], 'start' => 80, 'time' => 8, 'linked' => ['b']],
            ['id' => 'b', 'name' => 'B', 'over' => 'fixtures', 'fixtures' => ['b'], 'linked' => ['a']],
        ]);
        $evening->rig->artNet([1 => 200, 2 => 200]);
        self::assertSame([160, 200], \array_slice($evening->levels(), 0, 2), 'it begins at its start');
        $evening->press('master:a/zero');
        $evening->rig->pass(4.0);
        $evening->rig->artNet([1 => 200, 2 => 200]);
        self::assertEqualsWithDelta(80, $evening->levels()[0], 1, 'half way in 4 of 8 s');
        self::assertEqualsWithDelta(100, $evening->levels()[1], 1, 'linked ones go along');
        $again = $evening->restarted(2.0);
        $again->rig->artNet([1 => 200, 2 => 200]);
        self::assertEqualsWithDelta(40, $again->levels()[0], 1, 'over a restart too');
        $again->rig->pass(2.1);
        $again->rig->artNet([1 => 200, 2 => 200]);
        self::assertSame([0, 0], \array_slice($again->levels(), 0, 2));
        $again->set('master:a/flash', 1);
        self::assertSame([200, 0], \array_slice($again->levels(), 0, 2));
        $again->set('master:a/flash', 0);
        $again->set('master:a', 50);
        self::assertSame([100, 100], \array_slice($again->levels(), 0, 2));
        $again->press('master:a/solo');
        self::assertSame([100, 0], \array_slice($again->levels(), 0, 2));
        $again->press('master:a/solo');
        self::assertSame([100, 100], \array_slice($again->levels(), 0, 2));
    }

    /** An edit and a restart lay levels anew: what leaves first has been through the masters. */
    public function testNothingLeavesUnscaledAfterARestartOrAnEdit(): void
    {
        $evening = self::with([['id' => 'grand', 'name' => 'Grand']]);
        $evening->rig->artNet([1 => 200, 2 => 100, 5 => 30]);
        $evening->set('master:grand', 50);
        $state = $evening->rig->junction->rooms()->state($evening->rig->nanos());
        $again = new Evening($evening->rig->document);
        $again->rig->junction->restore(json_decode(json_encode($state, \JSON_THROW_ON_ERROR), true), $again->rig->nanos());
        self::assertSame([100, 50, 30], [$again->levels()[0], $again->levels()[1], $again->levels()[4]], 'before anything is woken');
        $fixtures = $evening->rig->document['fixtures'];
        $fixtures[0]['name'] = 'Another';
        foreach ([
            ['fixtures' => $fixtures],
            ['masters' => [['id' => 'grand', 'name' => 'Grand', 'curve' => 'linear', 'low' => 1]]],
        ] as $edit) {
            foreach ([
                ...$evening->rig->adopt([...$evening->rig->document, ...$edit]),
                ...array_column($evening->rig->pass(3.0), 1),
            ] as $packet) {
                if (str_starts_with($packet->bytes, "Art-Net\0\x00\x50")) {
                    self::assertEqualsWithDelta(100, \ord($packet->bytes[18]), 2, 'no frame is brighter');
                }
            }
        }
    }

    public function testBlackoutTakesAllLightAndNothingElseAndHoldsLieAbove(): void
    {
        $universe = ['id' => 'palm', 'name' => 'Palm House', 'merge' => 'slot'];
        $evening = self::with([], ['universes' => [$universe]]);
        $evening->rig->artNet([1 => 200, 3 => 10, 4 => 20, 5 => 30, 6 => 40, 7 => 50, 100 => 60]);
        $evening->press('master:blackout');
        self::assertSame([0, 0, 0, 0, 30, 40, 50, 0, 60], [...$evening->levels(), $evening->rig->level(100)]);
        self::assertStringContainsString('Blackout', $evening->rig->junction->universes()['palm']->explain(0));
        $evening->set('hold:palm/1', 99);
        self::assertSame(99, $evening->levels()[0]);
        $evening->rig->adopt([...$evening->rig->document, 'universes' => [['rawLights' => true] + $universe]]);
        self::assertSame(
            [30, 0],
            [$evening->levels()[4], $evening->rig->level(100)],
            'slots without a fixture, where the universe says so',
        );
        $again = $evening->restarted();
        self::assertSame(1, $again->read('master:blackout'));
        $again->set('master:blackout', 0);
        $again->rig->artNet([2 => 7]);
        self::assertSame(7, $again->levels()[1]);
    }

    public function testCopiesAreScaledOnce(): void
    {
        $evening = self::with([['id' => 'grand', 'name' => 'Grand master']], ['copies' => [
            ['id' => 'row', 'name' => 'Row', 'from' => ['universe' => 'palm', 'first' => 1], 'to' => ['universe' => 'roof', 'first' => 1]],
        ], 'universes' => [['id' => 'palm', 'name' => 'Palm House', 'merge' => 'slot'], ['id' => 'roof', 'name' => 'Roof', 'rawLights' => true]]]);
        $evening->rig->artNet([1 => 200]);
        $evening->set('master:grand', 50);
        self::assertSame([100, 100], [$evening->rig->level(1), $evening->rig->level(1, 'roof')]);
    }

    public function testAFixtureThatHasOnlyColoursIsScaledByItsVirtualIntensity(): void
    {
        $evening = self::with([['id' => 'grand', 'name' => 'Grand master']], [
            'profiles' => [['id' => 'bar', 'name' => 'Bar', 'virtualIntensity' => true, 'parameters' => [['name' => 'red', 'role' => 'red'], ['name' => 'green', 'role' => 'green']]]],
            'fixtures' => [['id' => 'a', 'name' => 'Bar', 'profile' => 'bar', 'universe' => 'palm', 'first' => 1]],
            'groups' => [], 'looks' => [],
        ]);
        $evening->rig->artNet([1 => 200, 2 => 100]);
        $evening->set('master:grand', 50);
        self::assertEqualsWithDelta([100, 50], \array_slice($evening->levels(), 0, 2), 1);
        $evening->press('master:blackout');
        self::assertSame([0, 0], \array_slice($evening->levels(), 0, 2));
    }

    public function testWhatDoesNotFitIsRefusedWithItsPlace(): void
    {
        foreach ([
            [['id' => 'blackout'], '/masters/0/id'],
            [['low' => 60, 'high' => 40], '/masters/0/high'],
            [['over' => 'looks'], '/masters/0/looks'],
            [['over' => 'groups', 'groups' => ['gone']], '/masters/0/groups/0'],
        ] as [$master, $path]) {
            try {
                self::with([$master + ['id' => 'm', 'name' => 'M']]);
                self::fail($path);
            } catch (ShowRefused $refused) {
                self::assertContains($path, array_map(static fn($fault): string => $fault->path, $refused->faults));
            }
        }
    }

    /**
     * @param list<array<string, mixed>> $masters
     * @param array<string, mixed> $changes
     */
    private static function with(array $masters, array $changes = []): Evening
    {
        return new Evening([
            'looks' => [['id' => 'doors', 'name' => 'Doors', 'fadeIn' => 0, 'values' => Evening::values(['fixture:a/level' => 100, 'fixture:h/pan' => 100])]],
            'masters' => $masters, ...$changes,
        ]);
    }
}
