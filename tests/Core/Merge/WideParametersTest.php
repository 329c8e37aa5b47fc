<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Merge;

use NimbleJunction\Core\Merge\WideParameters;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** A parameter of several slots is one value: all of its slots come from one sender, and go the same way out. */
final class WideParametersTest extends TestCase
{
    public function testHighestAndLatestByTheWholeValue(): void
    {
        $rig = $this->rig();
        $rig->artNet([1 => 0x80, 2 => 0x00]);
        $rig->sacn([1 => 0x7F, 2 => 0xFF]);
        self::assertSame([0x80, 0x00], $rig->levelsOf(1, 2));
        $rig->sacn([1 => 0x80, 2 => 0x01]);
        self::assertSame([0x80, 0x01], $rig->levelsOf(1, 2), 'by one step of 65,536');
        self::assertSame('Guest: highest of 2 (HTP), the next one sends 32768.', $rig->junction->universes()['palm']->explain(1));
        $rig = $this->rig(['merge' => 'ltp']);
        $rig->artNet([1 => 10, 2 => 20]);
        $rig->sacn([1 => 30, 2 => 20]);
        self::assertSame([30, 20], $rig->levelsOf(1, 2));
        $rig->artNet([1 => 10, 2 => 25]);
        self::assertSame([10, 25], $rig->levelsOf(1, 2), 'who moves the fine slot has all of it');
    }

    public function testSlotsThatLieApart(): void
    {
        $rig = $this->rig(['merge' => 'ltp']);
        $rig->artNet([5 => 1, 7 => 2, 6 => 3, 8 => 4]);
        $rig->sacn([5 => 1, 7 => 9, 6 => 3, 8 => 4]);
        self::assertSame([1, 9], $rig->levelsOf(5, 7), 'tilt, its coarse slot 5 and its fine slot 7');
        $rig->artNet([5 => 2, 7 => 2, 6 => 3, 8 => 4]);
        self::assertSame([2, 2, 3, 4], $rig->levelsOf(5, 7, 6, 8));
    }

    public function testAWideParameterHasThePriorityOfItsCoarsestSlot(): void
    {
        $rig = $this->rig();
        $rig->sacn([1 => 10, 2 => 11], 100, 'one');
        $rig->sacn([1 => 200, 2 => 201], 100, 'two');
        $rig->sacn([1 => 120, 2 => 1, 3 => 100], 100, 'one', startCode: Data::PER_SLOT_PRIORITY);
        $rig->sacn([1 => 110, 2 => 200, 3 => 100], 100, 'two', startCode: Data::PER_SLOT_PRIORITY);
        self::assertSame([10, 11], $rig->levelsOf(1, 2));
    }

    public function testARouteAndACopyGiveAWholeParameter(): void
    {
        $rig = $this->rig(routeSlot: 1);
        $rig->osc('/lamp', 0.5);
        self::assertSame([128, 128], $rig->levelsOf(1, 2), '128 x 257 is 32,896');
        $rig = $this->rig(routeSlot: 2);
        $rig->osc('/lamp', 0.5);
        self::assertSame([0, 0], $rig->levelsOf(1, 2));
        self::assertContains(
            'refused: "Fader in" cannot set its slot: slot 2 is a finer part of Lantern, pan: give the route its coarsest slot, 1, which sets all of it',
            $rig->hops('message'),
        );
        $rig = $this->rig(
            more: [
                'copies' => [
                    [
                        'id' => 'r',
                        'name' => 'r',
                        'from' => ['universe' => 'roof', 'first' => 1, 'count' => 2],
                        'to' => ['universe' => 'palm', 'first' => 2],
                    ],
                ],
            ],
        );
        $rig->artNet([1 => 40, 2 => 50], number: 5);
        self::assertSame([0, 0, 50], $rig->levelsOf(1, 2, 3), 'a copy to a finer slot alone gives it nothing');
    }

    public function testAHoldFreezesTheOtherSlotsAndIsReleasedAsAWhole(): void
    {
        $rig = $this->rig();
        $rig->artNet([1 => 10, 2 => 20, 3 => 30]);
        $rig->junction->hold('palm', [new Hold(0, 99, 'Ada', \PHP_INT_MAX)], $rig->nanos());
        $rig->artNet([1 => 11, 2 => 21, 3 => 31]);
        self::assertSame([99, 20, 31], $rig->levelsOf(1, 2, 3));
        self::assertStringContainsString('Held by hand at 20 by Ada', $rig->junction->universes()['palm']->explain(1));
        $rig->junction->release('palm', 1, null, 'Ada', $rig->nanos());
        self::assertSame([11, 21], $rig->levelsOf(1, 2));
    }

    /** By hand: the square of 0x8000/0xFFFF is 16,384.25/65,535; limits of slots are as many times 257. */
    public function testCurvesInversionAndLimitsIn16Bit(): void
    {
        $rig = $this->rig(
            [
                'shapes' => [
                    ['first' => 1, 'last' => 2, 'curve' => 'square'],
                    ['first' => 5, 'inverted' => true],
                    ['first' => 6, 'last' => 8, 'low' => 10, 'high' => 131],
                ],
            ],
        );
        $rig->artNet([1 => 0x80, 2 => 0x00, 5 => 0x01, 7 => 0x02, 6 => 200, 8 => 0]);
        self::assertSame([0x40, 0x00], $rig->levelsOf(1, 2));
        self::assertSame([0xFE, 0xFD], $rig->levelsOf(5, 7), 'tilt by the entry of its coarse slot alone: 65,535 - 258');
        self::assertSame([131, 131], $rig->levelsOf(6, 8), 'zoom: 131 x 257');
        self::assertSame(
            'House desk: the only source. On the way out: square curve (32768 becomes 16384).',
            $rig->junction->universes()['palm']->explain(1),
        );
        $rig->artNet([1 => 0x80, 2 => 0x01, 5 => 0x01, 7 => 0x02, 6 => 20, 8 => 5]);
        self::assertSame([0x40, 0x01, 0xFE, 0xFD, 20, 5], $rig->levelsOf(1, 2, 5, 7, 6, 8));
    }

    public function testAFadeGoesByTheWholeValue(): void
    {
        $rig = $this->rig(['whenLost' => 'fade', 'fadeSeconds' => 2]);
        $rig->artNet([1 => 0x01, 2 => 0xFF, 3 => 200]);
        $rig->pass(10.0 + 1.0);
        [$coarse, $fine] = $rig->levelsOf(1, 2);
        self::assertEqualsWithDelta(
            0x01FF / 2,
            $coarse * 256 + $fine,
            16,
            'half of 511, where bytes by themselves would make it 384',
        );
        $rig->pass(1.1);
        self::assertSame([0, 0, 0], $rig->levelsOf(1, 2, 3));
    }

    public function testSwapsChangePlacesAsLevelsComeIn(): void
    {
        $rig = $this->rig(
            [
                'swaps' => [['first' => 1, 'with' => 21, 'count' => 2]],
                'shapes' => [['first' => 1, 'last' => 2, 'inverted' => true]],
            ],
        );
        $rig->artNet([21 => 0x01, 22 => 0x00]);
        $rig->sacn([21 => 0x00, 22 => 0xFF]);
        self::assertSame(
            [0xFE, 0xFF],
            $rig->levelsOf(1, 2),
            'the pan of slots 1 and 2 is compared, and inverted, where it is patched',
        );
    }

    public function testOverlappingParametersAreTakenInTheirOrder(): void
    {
        $wide = new WideParameters([[0, 1], [1, 2], [3], [4, 5, 6, 7]]);
        self::assertSame([[0, 1], [2], [3], [4, 5, 6, 7]], array_map($wide->slots(...), [1, 2, 3, 6]));
        self::assertSame([4, 5, 6, 7, 2], $wide->whole([7, 2]));
        self::assertTrue((new WideParameters([[9]]))->areNone());
    }

    /** @param array<string, mixed> $universe @param array<string, mixed> $more */
    private function rig(array $universe = [], int $routeSlot = 9, array $more = []): Rig
    {
        $routes = [['to' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => $routeSlot]] + Rig::document()['routes'][0]];
        $ports = Rig::document()['ports'];
        $ports[0]['receive']['feeds'][] = ['number' => 5, 'universe' => 'roof'];

        return new Rig([
            'universes' => [['id' => 'palm', 'name' => 'Palm House', ...$universe], ['id' => 'roof', 'name' => 'Roof']],
            'routes' => $routes,
            'ports' => $ports,
            'profiles' => [
                [
                    'id' => 'head',
                    'name' => 'Head',
                    'parameters' => [
                        ['name' => 'pan', 'slots' => 2],
                        ['name' => 'level', 'intensity' => true],
                        ['name' => 'colour'],
                        ['name' => 'tilt', 'slots' => 2, 'at' => [5, 7]],
                        ['name' => 'zoom', 'slots' => 2, 'at' => [6, 8]],
                    ],
                ],
            ],
            'fixtures' => [['id' => 'lantern', 'name' => 'Lantern', 'profile' => 'head', 'universe' => 'palm', 'first' => 1]],
            ...$more,
        ]);
    }
}
