<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Route;

use NimbleJunction\Core\Live\Passages;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Tests\Support\PassageRig;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Routes that keep something in mind: what passes when, what goes on later, and what a condition remembers. */
final class PassagesTest extends TestCase
{
    use PassageRig;

    public function testALaterValueKeepsItsOrderAndItsOwnFields(): void
    {
        $rig = self::rig([
            'steps' => [['kind' => 'delay', 'seconds' => 1]],
            'do' => [self::OUT, ['kind' => 'send', 'port' => 'tablet', 'message' => ['kind' => 'osc', 'address' => '/told/{argument-2}', 'arguments' => []]]],
        ]);
        $rig->osc('/x', 5.0, 'a');
        $rig->pass(0.4);
        $rig->osc('/x', 7.0, 'b');
        self::assertSame([[1.0, '/told/a', 5.0], [1.4, '/told/b', 7.0]], self::passed($rig, 2.0));
        self::assertSame(7.0, self::out($rig));
    }

    public function testHoldOffDebounceAndALongPress(): void
    {
        $rig = self::rig(['steps' => [['kind' => 'hold-off', 'seconds' => 0.5]]]);
        self::assertSame([1.0, 1.0, 3.0], self::sequence($rig, [[1, 0.4], [2, 0.2], [3, 0]]), 'the second one comes too soon');
        $rig = self::rig(['steps' => [['kind' => 'debounce', 'seconds' => 0.1]]]);
        $rig->osc('/x', 1.0);
        $rig->pass(0.08);
        $rig->osc('/x', 2.0);
        $rig->pass(0.08);
        self::assertNull(self::out($rig));
        $rig->pass(0.03);
        self::assertSame(2.0, self::out($rig));
        $rig = self::rig(['steps' => [['kind' => 'held', 'seconds' => 1]]]);
        $rig->osc('/x', 9.0);
        $rig->pass(0.9);
        $rig->osc('/x', 0.0);
        $rig->pass(2.0);
        self::assertNull(self::out($rig), 'let go too soon');
        $rig->osc('/x', 9.0);
        $rig->pass(1.01);
        self::assertSame(9.0, self::out($rig));
    }

    public function testARampIsAStraightLineAndIsTakenUpFromWhereItIs(): void
    {
        $rig = self::rig(['steps' => [['kind' => 'ramp', 'seconds' => 2]]]);
        $rig->osc('/x', 0.0);
        self::assertSame(0.0, self::out($rig), 'the first one has nowhere to come from');
        $rig->osc('/x', 100.0);
        foreach ([25.0, 50.0] as $expected) {
            $rig->pass(0.5);
            self::assertEqualsWithDelta($expected, self::out($rig), 1.3);
        }
        $rig->osc('/x', 0.0);
        $rig->pass(1.0);
        self::assertEqualsWithDelta(25.0, self::out($rig), 1.3, 'turned round half way');
        $rig->pass(1.1);
        self::assertSame(0.0, self::out($rig));
        self::assertGreaterThan($rig->nanos() + 10_000_000_000, $rig->junction->dueAt(), 'and nothing goes on any more');
    }

    public function testSmoothedItHasGone63PerCentAfterItsTimeConstant(): void
    {
        $rig = self::rig(['steps' => [['kind' => 'smooth', 'seconds' => 1]]]);
        $rig->osc('/x', 0.0);
        $rig->osc('/x', 100.0);
        $rig->pass(1.0);
        self::assertEqualsWithDelta(100 * (1 - exp(-1)), self::out($rig), 1.0);
        $rig->pass(1.0);
        self::assertEqualsWithDelta(100 * (1 - exp(-2)), self::out($rig), 1.0);
        $rig->pass(10.0);
        self::assertSame(100.0, self::out($rig));
    }

    public function testItMovesNoFasterThanItMay(): void
    {
        $rig = self::rig(['steps' => [['kind' => 'slew', 'perSecond' => 40]]]);
        $rig->osc('/x', 10.0);
        $rig->osc('/x', 100.0);
        $rig->pass(1.0);
        self::assertEqualsWithDelta(50.0, self::out($rig), 1.1);
        $rig->osc('/x', 45.0);
        $rig->pass(0.5);
        self::assertSame(45.0, self::out($rig), 'and it stops where it is wanted');
    }

    public function testConditionsThatRemember(): void
    {
        self::assertSame(
            [1.0, 1.0, 2.0, 1.0],
            self::sequence(self::rig(['if' => [['kind' => 'change']]]), [[1, 0], [1, 0], [2, 0], [1, 0]]),
        );
        $rig = self::rig(['if' => [['kind' => 'rate', 'seconds' => 1]]]);
        self::assertSame([1.0, 1.0], self::sequence($rig, [[1, 0.6], [2, 0.6]]));
        self::assertStringContainsString('acts once in 1 s, and has acted 0.6 s ago', self::missed($rig));
        self::assertSame([3.0], self::sequence($rig, [[3, 0]]));
        $rig = self::rig(['if' => [['kind' => 'nth', 'every' => 3]]]);
        self::assertSame([null, null, 3.0, 3.0, 3.0, 6.0], self::sequence($rig, [[1, 0], [2, 0], [3, 0], [4, 0], [5, 0], [6, 0]]));
        $rig = self::rig(['if' => [['kind' => 'first'], ['kind' => 'least', 'value' => 2]]]);
        self::assertSame(
            [null, null, 2.0],
            self::sequence($rig, [[1, 0], [1, 0], [2, 0]]),
            'what another condition keeps out has been there all the same',
        );
        $rig = self::rig(['if' => [['kind' => 'again', 'seconds' => 0.4]]]);
        self::assertSame(
            [null, null, null, 1.0, 1.0],
            self::sequence($rig, [[1, 0.5], [1, 0.3], [0, 0], [1, 0], [1, 0]]),
            'a second press, and then a first one again',
        );
    }

    public function testOnlySoonAfterAnotherRouteOnlyFromSomebodyOnlyAtATime(): void
    {
        $rig = self::rig(['if' => [['kind' => 'after', 'point' => 'route:other', 'seconds' => 0.5]]]);
        $rig->osc('/x', 1.0);
        self::assertStringContainsString('it never has', self::missed($rig));
        $rig->osc('/y', 1.0);
        $rig->pass(0.4);
        $rig->osc('/x', 2.0);
        self::assertSame(2.0, self::out($rig));
        $rig->pass(0.2);
        $rig->osc('/x', 3.0);
        self::assertSame(2.0, self::out($rig));
        $rig = self::rig(['if' => [['kind' => 'sender', 'senders' => ['127.0.0.99']]]]);
        $rig->osc('/x', 1.0);
        self::assertStringContainsString('wants it from 127.0.0.99, it came from 127.0.0.15', self::missed($rig));
        $rig = self::rig(['if' => [['kind' => 'time', 'from' => '22:30', 'to' => '02:00']]]);
        $rig->osc('/x', 1.0);
        self::assertStringContainsString('nobody has said what time it is', self::missed($rig));
        // 2026-06-21 at 20:00 universal time is 22:00 two hours east.
        $rig->junction->setClock(1_782_072_000_000_000_000, $rig->nanos(), new \DateTimeZone('+02:00'));
        $rig->osc('/x', 1.0);
        self::assertStringContainsString('between 22:30 and 02:00, it is 22:00', self::missed($rig));
        $rig->pass(1800);
        $rig->osc('/x', 2.0);
        self::assertSame(2.0, self::out($rig), 'half past ten');
        $rig->pass(3 * 3600 + 1800);
        $rig->osc('/x', 3.0);
        self::assertSame(2.0, self::out($rig), 'over midnight, and at two it is over');
    }

    public function testWhatIsInMindOutlivesARestartAndAnEditOfSomethingElse(): void
    {
        $route = ['steps' => [['kind' => 'toggle', 'on' => 1, 'off' => 0]]];
        $rig = self::rig($route);
        $rig->osc('/x', 1.0);
        $state = json_decode((string) json_encode($rig->junction->rooms()->state($rig->nanos())), true);
        self::assertIsArray($state);
        $again = self::rig($route);
        $again->junction->restore($state, $again->nanos());
        $again->osc('/x', 1.0);
        self::assertSame(0.0, self::out($again), 'it was on');
        $again->adopt(self::parts([...$route, 'name' => 'Renamed']));
        $again->osc('/x', 1.0);
        self::assertSame(1.0, self::out($again), 'a new name changes nothing');
        $again->adopt(self::parts(['steps' => [['kind' => 'latch'], ['kind' => 'toggle']]]));
        $again->osc('/x', 1.0);
        self::assertSame(1.0, self::out($again), 'made of other steps it begins anew');
    }

    public function testARouteThatIsSwitchedOffOrGoneGoesOnWithNothing(): void
    {
        $rig = self::rig(['steps' => [['kind' => 'delay', 'seconds' => 1]]]);
        $rig->osc('/x', 5.0);
        $rig->junction->set(self::point('route:r/enabled'), 0, new Act('ada', 'Ada'), $rig->nanos());
        $rig->pass(2.0);
        self::assertNull(self::out($rig));
        $rig = self::rig(['steps' => [['kind' => 'delay', 'seconds' => 1]]]);
        $rig->osc('/x', 5.0);
        $rig->adopt([...self::parts([]), 'routes' => []]);
        $rig->pass(2.0);
        self::assertNull(self::out($rig));
    }

    public function testAMinuteOfTheDayBeginsOnceAndWhatARouteWasToDoIsStopped(): void
    {
        $rig = self::rig(['when' => [['kind' => 'time', 'at' => '22:31']], 'steps' => [['kind' => 'delay', 'seconds' => 5]]]);
        $rig->junction->setClock(1_782_073_850_000_000_000, $rig->nanos(), new \DateTimeZone('+02:00'));
        $rig->pass(9.0);
        $rig->junction->setClock(1_782_073_859_000_000_000, $rig->nanos(), new \DateTimeZone('+02:00'));
        $rig->pass(3.0);
        self::assertNull(self::out($rig));
        // The clock is set back by three seconds: the minute has begun already.
        $rig->junction->setClock(1_782_073_859_000_000_000, $rig->nanos(), new \DateTimeZone('+02:00'));
        $rig->pass(3.0);
        self::assertSame(1.0, self::out($rig), 'five seconds after it');
        $rig->junction->set(self::point('value:out'), 0, new Act('ada', 'Ada'), $rig->nanos());
        $rig->pass(60.0);
        self::assertSame(0.0, self::out($rig), 'once');
        $rig->pass(86_400.0);
        self::assertSame(1.0, self::out($rig), 'and again the day after');
        $rig = new Rig([...self::parts(['steps' => [['kind' => 'delay', 'seconds' => 1]]]), 'routes' => [
            ['id' => 'r', 'name' => 'R', 'when' => [['kind' => 'message', 'port' => 'tablet', 'address' => '/x', 'argument' => 1]], 'steps' => [['kind' => 'ramp', 'seconds' => 10]], 'do' => [self::OUT]],
            ['id' => 'stop', 'name' => 'Stop', 'when' => [['kind' => 'message', 'port' => 'tablet', 'address' => '/stop']], 'do' => [['kind' => 'stop', 'point' => 'route:r']]],
        ]]);
        $rig->osc('/x', 0.0);
        $rig->osc('/x', 100.0);
        $rig->pass(5.0);
        $rig->osc('/stop', 1.0);
        $there = self::out($rig);
        $rig->pass(10.0);
        self::assertSame($there, self::out($rig));
        self::assertEqualsWithDelta(50.0, $there, 1.0);
    }

    public function testActionsWaitForOneAnotherAndTheNextEventBeginsItsOwn(): void
    {
        $set = static fn(int $value): array => ['kind' => 'set', 'point' => 'value:out', 'value' => $value];
        $rig = self::rig(['do' => [$set(1), ['kind' => 'wait', 'seconds' => 1], $set(2), ['kind' => 'wait', 'seconds' => 0.5], self::OUT]]);
        $rig->osc('/x', 30.0);
        $rig->pass(0.9);
        self::assertSame(1.0, self::out($rig));
        $rig->pass(0.2);
        self::assertSame(2.0, self::out($rig));
        $rig->osc('/x', 40.0);
        self::assertSame(1.0, self::out($rig));
        $rig->pass(0.5);
        self::assertSame(30.0, self::out($rig), 'the last of the first');
        $rig->pass(1.1);
        self::assertSame(40.0, self::out($rig));
        self::assertSame(2, $rig->junction->points()->read(self::point('route:r/fired')), 'each has acted once');
    }

    public function testAFloodIsThinned(): void
    {
        foreach (['newest' => [1.0, 5.0, 9.0], 'first' => [1.0, 6.0]] as $keep => $expected) {
            $rig = self::rig(['steps' => [['kind' => 'thin', 'seconds' => 0.5, 'keep' => $keep]]]);
            $seen = [];
            for ($i = 1; $i <= 9; ++$i) {
                $rig->osc('/x', (float) $i);
                $seen[] = self::out($rig);
                $rig->pass(0.1);
                $seen[] = self::out($rig);
            }
            $rig->pass(1.0);
            $seen[] = self::out($rig);
            self::assertSame($expected, array_values(array_unique($seen)), $keep);
        }
    }

    public function testARouteAloneLeavesOthersOutUntilItIsNot(): void
    {
        $rig = self::rig(
            [],
            [['id' => 'b', 'name' => 'B', 'when' => [['kind' => 'message', 'port' => 'tablet', 'address' => '/b', 'argument' => 1]], 'do' => [self::OUT]]],
        );
        $rig->junction->set(self::point('route:b/solo'), 1, new Act('ada', 'Ada'), $rig->nanos());
        $rig->osc('/x', 5.0);
        self::assertNull(self::out($rig));
        self::assertStringContainsString('others are alone on', self::missed($rig));
        $rig->osc('/b', 6.0);
        self::assertSame(6.0, self::out($rig));
        $rig->junction->set(self::point('route:b/solo'), 0, new Act('ada', 'Ada'), $rig->nanos());
        $rig->osc('/x', 7.0);
        self::assertSame(7.0, self::out($rig));
    }

    public function testValuesThatComeFastPutNothingOff(): void
    {
        foreach ([
            ['kind' => 'ramp', 'seconds' => 0.5],
            ['kind' => 'smooth', 'seconds' => 0.1],
            ['kind' => 'slew', 'perSecond' => 80],
        ] as $step) {
            $rig = self::rig(['steps' => [$step]]);
            $rig->osc('/x', 0.0);
            for ($i = 1; $i <= 100; ++$i) {
                $rig->osc('/x', (float) $i);
                $rig->pass(0.01);
            }
            self::assertGreaterThan(20.0, self::out($rig), "{$step['kind']} follows a fader of a hundred values a second");
        }
    }

    public function testWhatWaitsOfARouteThatIsMadeOtherwiseNowIsForgotten(): void
    {
        $delay = ['kind' => 'delay', 'seconds' => 1];
        $rig = self::rig(['steps' => [$delay, ['kind' => 'scale', 'from' => [0, 1], 'to' => [0, 100]]]]);
        $rig->osc('/x', 0.5);
        $rig->adopt(self::parts([
            'name' => 'Renamed',
            'steps' => [['kind' => 'delay', 'seconds' => 9], ['kind' => 'scale', 'from' => [0, 1], 'to' => [0, 50]]],
        ]));
        $rig->pass(1.1);
        self::assertSame(25.0, self::out($rig), 'made of the same steps it goes on, as these say now');
        $rig->osc('/x', 0.8);
        $rig->adopt(self::parts(['steps' => [$delay]]));
        $rig->pass(10.0);
        self::assertSame(25.0, self::out($rig));
    }

    public function testAMinuteThatBeginsWhileTheClockIsSetIsNotLost(): void
    {
        $at = static fn(string $time): int => (int) (new \DateTimeImmutable("2026-06-21T{$time}Z"))->format('U') * 1_000_000_000;
        $rig = self::rig(['when' => [['kind' => 'time', 'at' => '22:31']]]);
        $rig->junction->setClock($at('22:30:58'), $rig->nanos());
        $rig->now += 5.0;
        $rig->junction->setClock($at('22:31:03'), $rig->nanos());
        $rig->pass(0.1);
        self::assertSame(1.0, self::out($rig));
        $rig->junction->set(self::point('value:out'), 0, new Act('ada', 'Ada'), $rig->nanos());
        $rig->junction->setClock($at('21:31:03'), $rig->nanos());
        $rig->pass(3600.0);
        self::assertSame(0.0, self::out($rig), 'the end of summer time: an hour comes twice');
        $rig->junction->setClock($at('12:00:00'), $rig->nanos());
        $rig->pass(11 * 3600.0);
        self::assertSame(1.0, self::out($rig), 'set right by hours, the day is a day again');
    }

    public function testAFloodThatIsDelayedIsBoundedAndSaidSo(): void
    {
        $rig = self::rig(['steps' => [['kind' => 'delay', 'seconds' => 60]]]);
        for ($i = 0; $i < Passages::MOST_WAITING + 20; ++$i) {
            $rig->osc('/x', (float) $i);
        }
        self::assertStringContainsString('500 of its values wait for their time already', self::missed($rig));
        $rig->pass(61.0);
        self::assertSame((float) Passages::MOST_WAITING - 1, self::out($rig));
    }

}
