<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Route;

use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Step\AccelerateStep;
use NimbleJunction\Core\Route\Step\CounterStep;
use NimbleJunction\Core\Route\Step\CurveStep;
use NimbleJunction\Core\Route\Step\CycleStep;
use NimbleJunction\Core\Route\Step\EnteredStep;
use NimbleJunction\Core\Route\Step\FormulaStep;
use NimbleJunction\Core\Route\Step\IncrementStep;
use NimbleJunction\Core\Route\Step\JoinStep;
use NimbleJunction\Core\Route\Step\LatchStep;
use NimbleJunction\Core\Route\Step\MomentaryStep;
use NimbleJunction\Core\Route\Step\NamedRangeStep;
use NimbleJunction\Core\Route\Step\NearestStep;
use NimbleJunction\Core\Route\Step\PartStep;
use NimbleJunction\Core\Route\Step\PickUpStep;
use NimbleJunction\Core\Route\Step\RadioStep;
use NimbleJunction\Core\Route\Step\ScaleStep;
use NimbleJunction\Core\Route\Step\TableStep;
use NimbleJunction\Core\Route\Step\TakeOverStep;
use NimbleJunction\Core\Route\Step\ThresholdStep;
use NimbleJunction\Core\Route\Step\ToggleStep;
use NimbleJunction\Core\Route\Step\VelocityStep;
use NimbleJunction\Tests\Core\Surface\ControlsTest;
use NimbleJunction\Tests\Support\StepRun;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Each step that needs no time against its closed form; figures worked by hand. */
final class StepsTest extends TestCase
{
    /** @return iterable<string, array{Step, list<float>, list<float|null>}> what goes in, and what comes out */
    public static function runs(): iterable
    {
        yield 'a toggle' => [new ToggleStep(255.0, 10.0), [1, 0, 127, 0, 1], [255.0, null, 10.0, null, 255.0]];
        yield 'a latch' => [new LatchStep(), [0, 5, 0, 7], [null, 5.0, null, 7.0]];
        yield 'momentary' => [new MomentaryStep(9.0, 2.0), [1, 0, -1, 0.1], [9.0, 2.0, 2.0, 9.0]];
        yield 'a counter that goes round' => [new CounterStep(1.0, 3.0, 1.0, true), [1, 0, 1, 1, 1], [1.0, null, 2.0, 3.0, 1.0]];
        yield 'a counter that stays' => [new CounterStep(1.0, 2.0, 1.0, false), [1, 1, 1], [1.0, 2.0, 2.0]];
        yield 'a counter downwards' => [new CounterStep(0.0, 10.0, -5.0, true), [1, 1, 1, 1], [10.0, 5.0, 0.0, 10.0]];
        yield 'a list upwards' => [new CycleStep([5.0, 7.0, 9.0], 'up'), [1, 0, 1, 1, 1], [5.0, null, 7.0, 9.0, 5.0]];
        yield 'a list downwards' => [new CycleStep([5.0, 7.0], 'down'), [1, 1, 1], [7.0, 5.0, 7.0]];
        yield 'increments with limits' => [new IncrementStep(0.0, 10.0, 4.0, false), [1, 1, 1, -1], [4.0, 8.0, 10.0, 6.0]];
        yield 'increments that go round' => [new IncrementStep(0.0, 10.0, 4.0, true), [2, 1, -1, -3], [8.0, 2.0, 8.0, 6.0]];
        yield 'the nearest' => [new NearestStep([0.0, 50.0, 255.0]), [24, 26, 999, -4], [0.0, 50.0, 255.0, 0.0]];
        yield 'a table' => [new TableStep([0.0, 10.0, 100.0, 20.0, 200.0, 0.0]), [-5, 0, 50, 100, 150, 999], [10.0, 10.0, 15.0, 20.0, 10.0, 0.0]];
        yield 'the coarse half' => [new PartStep('coarse', 7), [0, 127, 128, 16383, 99999], [0.0, 0.0, 1.0, 127.0, 127.0]];
        yield 'the fine half' => [new PartStep('fine', 8), [0, 255, 256, 65535], [0.0, 255.0, 0.0, 255.0]];
        yield 'a threshold with hysteresis' => [new ThresholdStep(128.0, 100.0), [90, 127, 128, 110, 255, 101, 100, 127], [null, null, 1.0, null, null, null, 0.0, null]];
        yield 'into a range and out of it' => [new EnteredStep(10.0, 20.0), [5, 10, 15, 20, 21, 9, 12], [null, 1.0, null, null, 0.0, null, 1.0]];
        yield 'a logarithmic curve' => [new CurveStep('logarithmic'), [0, 1 / 9, 1, 7], [0.0, log10(2), 1.0, 1.0]];
        yield 'a range that is open above' => [new ScaleStep([0.0, 10.0], [0.0, 100.0], 'second'), [-5, 5, 20], [0.0, 50.0, 200.0]];
        yield 'a range that is open below, inverted' => [new ScaleStep([0.0, 10.0], [100.0, 0.0], 'first'), [-5, 5, 20], [150.0, 50.0, 0.0]];
        yield 'a range that is open at both ends' => [new ScaleStep([10.0, 0.0], [0.0, 1.0], 'both'), [-10, 10, 20], [2.0, 0.0, -1.0]];
        yield 'a formula' => [new FormulaStep('between(value * 2 + 1, 0, 9)'), [-3, 1, 7], [0.0, 3.0, 9.0]];
        yield 'a formula that divides by nothing' => [new FormulaStep('10 / value'), [5, 0, 2], [2.0, null, 5.0]];
    }

    /**
     * @param list<float> $in
     * @param list<float|null> $out
     */
    public function testANamedRangeByItsNumberOrTheNearest(): void
    {
        foreach ([
            'number' => [[1, 2, 3, 0], [5.0, 30.0, null, null]],
            'value' => [[-4, 3, 14, 16, 99], [5.0, 5.0, 5.0, 30.0, 30.0]],
        ] as $by => [$in, $out]) {
            $run = new StepRun(new NamedRangeStep(StepRun::point(), $by));
            $run->ranges = [[0.0, 10.0, 'Open'], [20.0, 40.0, 'Stars']];
            self::assertSame($out, array_map(static fn(int $value): ?float => $run->apply((float) $value), $in), $by);
        }
    }

    public function testOneOfSeveralIsTheNumberOfWhatCame(): void
    {
        $run = new StepRun(new RadioStep());
        $chosen = static fn(array $pressed): array => array_map(static fn(int $source): ?float => $run->apply(1.0, $source), $pressed);
        self::assertSame([1.0, null, 3.0, 1.0], $chosen([0, 0, 2, 0]));
        self::assertNull($run->apply(0.0, 1), 'let go, it chooses nothing');
        self::assertSame([2.0], $chosen([1]));
    }

    #[DataProvider('runs')]
    public function testWhatComesOut(Step $step, array $in, array $out): void
    {
        $run = new StepRun($step);
        self::assertSame($out, array_map(static fn(int|float $value): ?float => $run->apply((float) $value), $in));
    }

    public function testBothHalvesAreTheWholeForAllInputsOf14And16Bits(): void
    {
        foreach ([7 => 16384, 8 => 65536] as $bits => $count) {
            [$coarse, $fine] = [new StepRun(new PartStep('coarse', $bits)), new StepRun(new PartStep('fine', $bits))];
            $wrong = 0;
            for ($value = 0; $value < $count; ++$value) {
                $wrong += (int) ($coarse->apply($value) * (1 << $bits) + $fine->apply($value) !== (float) $value);
            }
            self::assertSame(0, $wrong);
        }
    }

    public function testATableOfTwoPointsIsAStraightLineForAllInputsOf16Bits(): void
    {
        $run = new StepRun(new TableStep([0.0, 100.0, 65535.0, -20.0]));
        $worst = 0.0;
        for ($value = 0; $value < 65536; ++$value) {
            $worst = max($worst, abs($run->apply($value) - (100 - 120 * $value / 65535)));
        }
        self::assertLessThan(1e-9, $worst);
    }

    public function testRandomNeverTakesTheSameTwiceAndTakesAll(): void
    {
        $run = new StepRun(new CycleStep([1.0, 2.0, 3.0, 4.0], 'random'));
        $seen = [];
        $last = null;
        for ($i = 0; $i < 400; ++$i) {
            $value = $run->apply(1);
            self::assertNotSame($last, $value);
            $seen[(string) $value] = ($seen[(string) $value] ?? 0) + 1;
            $last = $value;
        }
        self::assertCount(4, $seen);
        self::assertGreaterThan(60, min($seen), 'each of four about a hundred times');
    }

    public function testWhatCameByEachTriggerIsJoined(): void
    {
        foreach (['highest' => 8.0, 'lowest' => 2.0, 'sum' => 10.0, 'mean' => 5.0, 'product' => 16.0, 'last' => 8.0] as $how => $expected) {
            $run = new StepRun(new JoinStep($how));
            self::assertSame(99.0, $run->apply(99, source: 0), 'one alone is itself');
            $run->apply(2, source: 0);
            self::assertSame($expected, $run->apply(8, source: 1), $how);
        }
    }

    public function testFastTurnsCountForMore(): void
    {
        $run = new StepRun(new AccelerateStep(0.1, 8.0));
        self::assertSame(1.0, $run->apply(1));
        $run->pass(0.2);
        self::assertSame(-1.0, $run->apply(-1), 'slower than a tenth: once');
        $run->pass(0.05);
        self::assertSame(2.0, $run->apply(1), 'twice as fast');
        $run->pass(0.001);
        self::assertSame(24.0, $run->apply(3), 'never more than eight times');
    }

    public function testNothingPassesUntilItHasPickedUpThePoint(): void
    {
        $point = StepRun::point();
        $run = new StepRun(new PickUpStep($point, 2.0));
        $run->is = 100.0;
        self::assertNull($run->apply(10));
        self::assertNull($run->apply(90));
        self::assertSame(110.0, $run->apply(110), 'it has gone past it');
        $run->is = 110.0;
        self::assertSame(130.0, $run->apply(130), 'now it has it');
        $run->is = 20.0;
        self::assertNull($run->apply(131), 'somebody else has moved it');
        self::assertNull($run->apply(60));
        self::assertSame(21.0, $run->apply(21), 'near enough');
    }

    public function testItIsTakenOverInProportionAndReachesBothEnds(): void
    {
        $run = new StepRun(new TakeOverStep(StepRun::point(), 0.0, 100.0));
        $run->is = 20.0;
        self::assertNull($run->apply(60), 'nothing has moved yet');
        // From 60 to 80 is half of the way up that is left: half of 20 to 100.
        self::assertSame(60.0, $run->is = $run->apply(80));
        self::assertSame(100.0, $run->is = $run->apply(100));
        self::assertSame(50.0, $run->is = $run->apply(50), 'at the end they are together');
        $run->is = 90.0;
        self::assertSame(45.0, $run->is = $run->apply(25), 'half of the way down that is left');
        self::assertSame(0.0, $run->apply(0));
    }

    public function testAStickSetsASpeedByItsOwnLawAndKeepsWithinItsEnds(): void
    {
        $fields = VelocityStep::fields();
        self::assertSame(['point', 'low', 'high', 'speed', 'dead', 'bend'], array_map(static fn($field): string => $field->name, $fields));
        foreach ([
            [1.0, 1.0, 40.0],
            [1.0, 0.55, 20.0],
            [2.0, 0.55, 10.0],
            [1.0, -1.0, -40.0],
            [1.0, 0.1, 0.0],
            [1.0, -0.05, 0.0],
        ] as [$bend, $stick, $rate]) {
            $evening = ControlsTest::with(
                ['kind' => 'fader', 'points' => [['point' => 'value:place']]],
                ['values' => [['id' => 'place', 'name' => 'Place', 'type' => 'number', 'low' => 0, 'high' => 1000, 'start' => 500], ['id' => 'stick', 'name' => 'Stick', 'type' => 'number', 'low' => -1, 'high' => 1, 'start' => 0]]],
            );
            $evening->rig->adopt([...$evening->rig->document, 'routes' => [[
                'id' => 'stick', 'name' => 'Stick', 'when' => ['kind' => 'point', 'point' => 'value:stick'],
                'steps' => [['kind' => 'velocity', 'point' => 'value:place', 'low' => 0, 'high' => 1000, 'speed' => 40, 'dead' => 0.1, 'bend' => $bend]],
                'do' => [['kind' => 'set', 'point' => 'value:place']],
            ]]]);
            $evening->set('value:stick', $stick);
            $evening->rig->pass(2.0);
            self::assertEqualsWithDelta(500 + 2 * $rate, $evening->read('value:place'), 1.5, "{$stick} bent by {$bend}");
            $evening->set('value:stick', 0);
            $evening->rig->pass(1.0);
            self::assertEqualsWithDelta(500 + 2 * $rate, $evening->read('value:place'), 1.5, 'in its middle it stands');
            $evening->set('value:stick', 1);
            $evening->rig->pass(60.0);
            self::assertEqualsWithDelta(1000.0, $evening->read('value:place'), 1e-6, 'no further than its end');
        }
    }
}
