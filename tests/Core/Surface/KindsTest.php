<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Surface;

use NimbleJunction\Core\Surface\ControlKinds;
use NimbleJunction\Tests\Support\Evening;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What each kind of control does at its edges: several points, ends, refusals, and what it says of values. */
final class KindsTest extends TestCase
{
    private const SWITCH = ['values' => [['id' => 'open', 'name' => 'House open', 'type' => 'switch']]];

    /** @return iterable<string, array{string, array<string, mixed>, int, int}> mode, binding, level when on, when off */
    public static function buttons(): iterable
    {
        yield 'a toggle between the ends of its point' => ['toggle', ['point' => 'fixture:a/level'], 255, 0];
        yield 'a toggle between ends of its own' => ['toggle', ['point' => 'slot:palm/1', 'low' => 20, 'high' => 200], 200, 20];
        yield 'momentary' => ['momentary', ['point' => 'slot:palm/1', 'low' => 5, 'high' => 99], 99, 5];
    }

    /** @param array<string, mixed> $binding */
    #[DataProvider('buttons')]
    public function testAButtonGoesBetweenTwoValues(string $mode, array $binding, int $on, int $off): void
    {
        $evening = ControlsTest::with(['kind' => 'button', 'mode' => $mode, 'points' => [$binding]]);
        foreach ([$on, $off, $on] as $i => $level) {
            $mode === 'momentary' ? $evening->set('surface:guide/one', 1 - $i % 2) : $evening->press('surface:guide/one');
            self::assertSame($level, $evening->levels()[0], "press {$i}");
            self::assertSame(1 - $i % 2, $evening->read('surface:guide/one'), 'it is lit where it is on');
        }
    }

    public function testAButtonThatFiresOnceSetsItsMaximumEachTime(): void
    {
        $evening = ControlsTest::with([
            'kind' => 'button',
            'mode' => 'once',
            'points' => [['point' => 'slot:palm/1', 'low' => 0, 'high' => 80]],
        ]);
        foreach ([1, 2] as $press) {
            $evening->press('surface:guide/one');
            self::assertSame(80, $evening->levels()[0], "press {$press}");
        }
    }

    public function testAButtonOfSeveralPointsMovesAllOfThemByWhatTheFirstIs(): void
    {
        $evening = ControlsTest::with(
            ['kind' => 'button', 'points' => [['point' => 'fixture:a/level'], ['point' => 'fixture:b/level', 'high' => 50], ['point' => 'value:open']]],
            self::SWITCH,
        );
        $evening->press('surface:guide/one');
        self::assertSame([255, 128], \array_slice($evening->levels(), 0, 2));
        self::assertSame(1, $evening->read('value:open'));
        $evening->set('fixture:a/level', 0);
        self::assertSame(0, $evening->read('surface:guide/one'), 'the first one says whether it is on');
    }

    public function testAnUnboundToggleTurnsOverAndAnUnboundMomentaryComesUp(): void
    {
        $evening = ControlsTest::with(['kind' => 'button'], [], ['kind' => 'button', 'mode' => 'momentary']);
        foreach ([1, 0, 1] as $is) {
            $evening->press('surface:guide/one');
            self::assertSame($is, $evening->read('surface:guide/one'));
        }
        $evening->set('surface:guide/two', 1);
        self::assertSame(1, $evening->read('surface:guide/two'));
        $evening->set('surface:guide/two', 0);
        self::assertSame(0, $evening->read('surface:guide/two'));
        self::assertSame('a button is a switch: 0 or 1', $evening->set('surface:guide/two', 'on'));
    }

    public function testALookIsPressedAsItSaysAndShowsItsLevel(): void
    {
        $looks = ['looks' => [[
            'id' => 'held',
            'name' => 'Held',
            'press' => 'momentary',
            'fadeIn' => 0,
            'fadeOut' => 0,
            'values' => Evening::values(['fixture:a/level' => 100]),
        ]]];
        $evening = ControlsTest::with(['kind' => 'button', 'mode' => 'momentary', 'points' => [['point' => 'look:held/pressed']]], $looks);
        $evening->set('surface:guide/one', 1);
        $evening->rig->pass(0.1);
        self::assertSame(255, $evening->levels()[0]);
        $evening->set('surface:guide/one', 0);
        $evening->rig->pass(0.1);
        self::assertSame(0, $evening->levels()[0]);
    }

    /** @return iterable<string, array{string, int|float, string}> point, value, words */
    public static function words(): iterable
    {
        yield 'per cent are whole' => ['fixture:a/level', 43.2, '43 %'];
        yield 'levels of slots are whole' => ['slot:palm/1', 131, '131'];
        yield 'small numbers have two digits' => ['value:rate', 0.25, '0.25'];
        yield 'and lose what says nothing' => ['value:rate', 2.0, '2'];
        yield 'larger ones have one digit' => ['value:rate', 12.34, '12.3'];
        yield 'a switch is on or off' => ['value:open', 1, 'on'];
        yield 'a choice is its word' => ['value:mood', 'storm', 'storm'];
    }

    #[DataProvider('words')]
    public function testValuesAreSaidAsPeopleReadThem(string $point, int|float|string $value, string $words): void
    {
        $values = [
            ['id' => 'rate', 'name' => 'Rate', 'type' => 'number', 'low' => 0, 'high' => 20],
            ['id' => 'open', 'name' => 'Open', 'type' => 'switch'],
            ['id' => 'mood', 'name' => 'Mood', 'type' => 'choice', 'choices' => ['calm', 'storm']],
        ];
        $evening = ControlsTest::with(['kind' => 'label', 'point' => $point], ['values' => $values]);
        $evening->rig->junction->set(
            Evening::point(str_replace('slot:', 'hold:', $point)),
            $value,
            new \NimbleJunction\Core\Point\Act('x', 'X'),
            $evening->rig->nanos(),
        );
        self::assertSame($words, $evening->read('surface:guide/one/text'));
    }

    public function testAUnitOfItsOwnStandsBehindTheValue(): void
    {
        $evening = ControlsTest::with(['kind' => 'fader', 'points' => [['point' => 'slot:palm/1']]], more: ['unit' => 'of 255']);
        $evening->set('surface:guide/one', 100);
        self::assertSame('255 of 255', $evening->read('surface:guide/one/text'));
        self::assertSame('it is what the control shows, and cannot be set', $evening->set('surface:guide/one/text', 'x'));
    }

    public function testASelectorOfOptionsOfItsOwnSetsTheirValues(): void
    {
        $options = [['name' => 'Low', 'value' => 30], ['name' => 'High', 'value' => 220]];
        $evening = ControlsTest::with(['kind' => 'selector', 'point' => 'slot:palm/1', 'options' => $options]);
        $evening->set('surface:guide/one', 'High');
        self::assertSame(220, $evening->levels()[0]);
        $evening->press('surface:guide/one');
        self::assertSame(30, $evening->levels()[0], 'after the last comes the first');
        $control = $evening->rig->junction->plan()->surfaces->surfaces['guide']->controls['one'];
        self::assertSame([0.0], $evening->rig->junction->controls->shown('guide', $control)?->at);
        $evening->rig->artNet([1 => 77]);
        self::assertSame([-1.0], $evening->rig->junction->controls->shown('guide', $control)?->at, 'none of them');
        self::assertSame('it is one of: Low, High', $evening->set('surface:guide/one', 7));
    }

    public function testASelectorHasTheNamedRangesOfAParameter(): void
    {
        $wheel = [
            'name' => 'wheel',
            'kind' => 'beam',
            'ranges' => [['name' => 'open', 'first' => 0, 'last' => 99], ['name' => 'star', 'first' => 100, 'last' => 255]],
        ];
        $profiles = [['id' => 'gobo', 'name' => 'Gobo', 'parameters' => [$wheel]]];
        $evening = ControlsTest::with(
            ['kind' => 'selector', 'point' => 'fixture:g/wheel'],
            ['profiles' => $profiles, 'fixtures' => [['id' => 'g', 'name' => 'G', 'profile' => 'gobo', 'universe' => 'palm', 'first' => 1]], 'groups' => []],
        );
        self::assertSame("open\nstar", $evening->read('surface:guide/one'));
        $evening->set('surface:guide/one', 'star');
        self::assertSame(178, $evening->levels()[0], 'the middle of its range');
        $evening->press('surface:guide/one');
        self::assertSame(50, $evening->levels()[0]);
    }

    public function testAStepperTurnsBackAtItsEndsUnlessItWraps(): void
    {
        $evening = ControlsTest::with(
            ['kind' => 'stepper', 'points' => [['point' => 'slot:palm/1', 'low' => 10, 'high' => 30]], 'step' => 15],
            [],
            ['kind' => 'stepper', 'points' => [['point' => 'slot:palm/2', 'low' => 30, 'high' => 10]], 'step' => 15],
        );
        foreach ([15, 30, 30] as $level) {
            $evening->press('surface:guide/one/up');
            self::assertSame($level, $evening->levels()[0]);
        }
        foreach ([15, 10, 10] as $level) {
            $evening->press('surface:guide/one/down');
            self::assertSame($level, $evening->levels()[0]);
        }
        $evening->set('surface:guide/two', 0);
        $evening->press('surface:guide/two/up');
        self::assertSame(15, $evening->levels()[1], 'turned round, up is down');
        self::assertSame('press its up or down', $evening->press('surface:guide/one'));
    }

    public function testAnEndlessKnobMovesEachOfItsPointsFromWhereItIs(): void
    {
        $evening = ControlsTest::with(['kind' => 'endless', 'points' => [['point' => 'slot:palm/1'], ['point' => 'slot:palm/2']]]);
        $evening->rig->artNet([1 => 51, 2 => 204]);
        $evening->set('surface:guide/one/turn', 10);
        self::assertSame([77, 230], \array_slice($evening->levels(), 0, 2));
        $evening->set('surface:guide/one/turn', 50);
        self::assertSame([205, 255], \array_slice($evening->levels(), 0, 2), 'each ends at its own end');
    }

    public function testAPadThatSpringsSaysWhereItRests(): void
    {
        $evening = ControlsTest::with(['kind' => 'pad', 'springs' => true]);
        $evening->set('surface:guide/one/across', 90);
        self::assertSame([90.0, 0.0], [$evening->read('surface:guide/one/across'), $evening->read('surface:guide/one/up')]);
        $does = $evening->rig->junction->plan()->surfaces->surfaces['guide']->controls['one']->does;
        self::assertInstanceOf(\NimbleJunction\Core\Surface\Springs::class, $does);
        self::assertSame(50.0, $does->rest('across'));
        self::assertSame('a pad can be moved, not pressed', $evening->press('surface:guide/one/up'));
    }

    public function testATempoIsTapped(): void
    {
        $evening = ControlsTest::with(
            ['kind' => 'tempo', 'tempo' => 'main'],
            ['tempos' => [['id' => 'main', 'name' => 'Main', 'start' => 90]]],
        );
        self::assertSame('90 BPM', $evening->read('surface:guide/one/text'));
        foreach (range(1, 5) as $tap) {
            self::assertSame('', $evening->press('surface:guide/one'), "tap {$tap}");
            $evening->rig->pass(0.5);
        }
        self::assertSame('120 BPM', $evening->read('surface:guide/one/text'));
    }

    public function testAMeterShowsWhatArrivesAndMovesNothing(): void
    {
        $evening = ControlsTest::with(['kind' => 'meter', 'shows' => ['point' => 'arriving:palm/3', 'low' => 0, 'high' => 128]]);
        $evening->rig->artNet([3 => 64]);
        $control = $evening->rig->junction->plan()->surfaces->surfaces['guide']->controls['one'];
        self::assertSame([0.5], $evening->rig->junction->controls->shown('guide', $control)?->at);
        self::assertSame('there is no such control', $evening->set('surface:guide/one', 9));
        self::assertSame([], $evening->rig->junction->plan()->surfaces->routes, 'it gives nothing');
    }

    public function testALabelSaysTheStateOfAPort(): void
    {
        $evening = ControlsTest::with(['kind' => 'label', 'point' => 'port:house/alive']);
        $before = $evening->read('surface:guide/one/text');
        $evening->rig->artNet([1 => 9]);
        self::assertNotSame($before, $evening->read('surface:guide/one/text'));
    }

    public function testEveryKindSaysWhatItHasForAPageAndHasAWordOfItsOwn(): void
    {
        $words = array_map(static fn(string $class): string => $class::kind(), ControlKinds::ALL);
        self::assertSame($words, array_values(array_unique($words)));
        $traits = [
            'button' => ['mode', 'seconds', 'confirm', 'onText'], 'fader' => ['takeOver', 'detents', 'run', 'middle'], 'knob' => ['takeOver', 'detents'], 'endless' => ['sensitivity'],
            'pad' => ['springs'], 'text' => ['longest'], 'clock' => ['withSeconds'], 'meter' => ['run', 'middle'], 'slots' => ['first'],
        ];
        foreach (ControlKinds::ALL as $class) {
            $needed = ['slots' => ['universe' => 'palm'], 'tempo' => ['tempo' => 'main']][$class::kind()] ?? [];
            $evening = ControlsTest::with(['kind' => $class::kind(), ...$needed], ['tempos' => [['id' => 'main', 'name' => 'Main']]]);
            $does = $evening->rig->junction->plan()->surfaces->surfaces['guide']->controls['one']->does;
            self::assertSame($traits[$class::kind()] ?? [], array_keys($does?->traits() ?? []), $class);
        }
    }
}
