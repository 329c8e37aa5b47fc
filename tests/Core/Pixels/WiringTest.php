<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Pixels;

use NimbleJunction\Core\Pixels\Gap;
use NimbleJunction\Core\Pixels\Wiring;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Which slots a pixel takes. 170 pixels of RGB, 128 of RGBW a universe: common practice, no source; all others worked by hand. */
final class WiringTest extends TestCase
{
    /**
     * @return iterable<string, array{array{int, int, int, ?int, bool}, array<int, list<string>>, int}> count, width, first, most,
     * split; "universe.slot" from 1 by pixel; universes
     */
    public static function lines(): iterable
    {
        yield 'RGB, whole pixels: 170 a universe, two slots left over' => [[512, 3, 1, null, false], [
            1 => ['1.1', '1.2', '1.3'],
            170 => ['1.508', '1.509', '1.510'],
            171 => ['2.1', '2.2', '2.3'],
            341 => ['3.1', '3.2', '3.3'],
            512 => ['4.4', '4.5', '4.6'],
        ], 4];
        yield 'RGBW, whole pixels: 128 a universe, nothing left over' => [[129, 4, 1, null, false], [
            128 => ['1.509', '1.510', '1.511', '1.512'], 129 => ['2.1', '2.2', '2.3', '2.4'],
        ], 2];
        yield 'RGB, split: the 171st begins in one universe and ends in the next' => [[682, 3, 1, null, true], [
            171 => ['1.511', '1.512', '2.1'], 342 => ['2.512', '3.1', '3.2'], 682 => ['4.508', '4.509', '4.510'],
        ], 4];
        yield 'from slot 101 on: 137 fit, and the next universe begins at 1' => [[140, 3, 101, null, false], [
            1 => ['1.101', '1.102', '1.103'], 137 => ['1.509', '1.510', '1.511'], 138 => ['2.1', '2.2', '2.3'],
        ], 2];
        yield 'no room for one in the first universe' => [[1, 3, 511, null, false], [1 => ['2.1', '2.2', '2.3']], 2];
        yield '50 a universe, as some boxes want it' => [[120, 3, 1, 50, false], [
            50 => ['1.148', '1.149', '1.150'], 51 => ['2.1', '2.2', '2.3'], 120 => ['3.58', '3.59', '3.60'],
        ], 3];
        yield 'one colour' => [[513, 1, 1, null, false], [512 => ['1.512'], 513 => ['2.1']], 2];
    }

    /**
     * @param array{int, int, int, ?int, bool} $line
     * @param array<int, list<string>> $slots
     */
    #[DataProvider('lines')]
    public function testSlotsOfPixels(array $line, array $slots, int $universes): void
    {
        [$count, $width, $first, $most, $isSplit] = $line;
        $wiring = new Wiring($count, $width, $first - 1, $most, $isSplit, []);
        foreach ($slots as $pixel => $expected) {
            self::assertSame($expected, array_map(self::said(...), $wiring->slots($pixel - 1)), "pixel {$pixel}");
        }
        self::assertSame($universes, $wiring->universes());
        self::thereAndBack($wiring);
    }

    public function testGapsOnTheLine(): void
    {
        $wiring = new Wiring(10, 3, 0, null, false, [new Gap(5, 2), new Gap(1, 1), new Gap(9, 1)]);
        self::assertSame(['1.4', '1.5', '1.6'], array_map(self::said(...), $wiring->slots(0)), 'one left out before the first');
        self::assertSame(['1.13', '1.14', '1.15'], array_map(self::said(...), $wiring->slots(3)));
        self::assertSame(['1.22', '1.23', '1.24'], array_map(self::said(...), $wiring->slots(4)), 'two more before the fifth');
        self::assertSame(['1.37', '1.38', '1.39'], array_map(self::said(...), $wiring->slots(8)), 'and one before the ninth');
        self::assertNull($wiring->at(15));
        self::assertNull($wiring->at(20));
        self::assertSame([4, 0], $wiring->at(21));
        self::thereAndBack($wiring);
    }

    /** Every line: each pixel has slots of its own, and each of them says whose it is. */
    public function testRandomLinesThereAndBack(): void
    {
        mt_srand(20261126);
        for ($round = 0; $round < 300; ++$round) {
            $width = mt_rand(1, 4);
            $isSplit = mt_rand(0, 1) === 1;
            $gaps = array_map(static fn(): Gap => new Gap(mt_rand(1, 400), mt_rand(1, 30)), range(1, mt_rand(1, 5)));
            $most = $isSplit || mt_rand(0, 1) === 1 ? null : mt_rand(1, 200);
            self::thereAndBack(new Wiring(mt_rand(1, 600), $width, mt_rand(0, 511), $most, $isSplit, mt_rand(0, 1) === 1 ? $gaps : []));
        }
    }

    public function testWhatEachUniverseGivesOfIt(): void
    {
        $wiring = new Wiring(341, 3, 100, null, false, []);
        self::assertSame([100, 510], $wiring->span(0));
        self::assertSame([0, 509], $wiring->span(1));
        self::assertSame([0, 101], $wiring->span(2), '341 less 137 less 170 are 34');
        self::assertNull((new Wiring(1, 3, 510, null, false, []))->span(0));
        self::assertSame([510, 511], (new Wiring(1, 3, 510, null, true, []))->span(0));
        self::assertSame([0, 0], (new Wiring(1, 3, 510, null, true, []))->span(1));
    }

    private static function thereAndBack(Wiring $wiring): void
    {
        $taken = [];
        for ($pixel = 0; $pixel < $wiring->count; ++$pixel) {
            foreach ($wiring->slots($pixel) as $colour => $slot) {
                $taken[$slot] = [$pixel, $colour];
            }
        }
        $slots = range(0, $wiring->last() + 5);
        self::assertSame(
            array_map(static fn(int $slot): ?array => $taken[$slot] ?? null, $slots),
            array_map($wiring->at(...), $slots),
        );
        self::assertCount($wiring->taken(), $taken);
        for ($universe = 0; $universe < $wiring->universes(); ++$universe) {
            $span = $wiring->span($universe);
            $inside = array_filter(array_keys($taken), static fn(int $slot): bool => intdiv($slot, 512) === $universe);
            self::assertTrue(
                $inside === []
                    || ($span !== null && min($inside) >= 512 * $universe + $span[0] && max($inside) <= 512 * $universe + $span[1]),
            );
        }
    }

    private static function said(int $slot): string
    {
        return (intdiv($slot, 512) + 1).'.'.($slot % 512 + 1);
    }
}
