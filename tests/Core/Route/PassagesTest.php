<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Route;

use NimbleJunction\Core\Live\Passages;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Routes that keep something in mind: what passes when, what goes on later, and what a condition remembers. */
final class PassagesTest extends TestCase
{
    public function testALaterValueKeepsItsOrderAndItsOwnFields(): void
    {
        $rig = self::rig(['steps' => [['kind' => 'delay', 'seconds' => 1]], 'do' => [self::OUT, ['kind' => 'send', 'port' => 'tablet', 'message' => ['kind' => 'osc', 'address' => '/told/{argument-2}', 'arguments' => []]]]]);
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
        self::assertSame([1.0, 1.0, 2.0, 1.0], self::sequence(self::rig(['if' => [['kind' => 'change']]]), [[1, 0], [1, 0], [2, 0], [1, 0]]));
        $rig = self::rig(['if' => [['kind' => 'rate', 'seconds' => 1]]]);
        self::assertSame([1.0, 1.0], self::sequence($rig, [[1, 0.6], [2, 0.6]]));
        self::assertStringContainsString('acts once in 1 s, and has acted 0.6 s ago', self::missed($rig));
        self::assertSame([3.0], self::sequence($rig, [[3, 0]]));
        $rig = self::rig(['if' => [['kind' => 'nth', 'every' => 3]]]);
        self::assertSame([null, null, 3.0, 3.0, 3.0, 6.0], self::sequence($rig, [[1, 0], [2, 0], [3, 0], [4, 0], [5, 0], [6, 0]]));
        $rig = self::rig(['if' => [['kind' => 'first'], ['kind' => 'least', 'value' => 2]]]);
        self::assertSame([null, null, 2.0], self::sequence($rig, [[1, 0], [1, 0], [2, 0]]), 'what another condition keeps out has been there all the same');
        $rig = self::rig(['if' => [['kind' => 'again', 'seconds' => 0.4]]]);
        self::assertSame([null, null, null, 1.0, 1.0], self::sequence($rig, [[1, 0.5], [1, 0.3], [0, 0], [1, 0], [1, 0]]), 'a second press, and then a first one again');
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
        $rig->junction->setClock(1_782_072_000_000_000_000, $rig->nanos(), 7200);
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
        $rig->junction->setClock(1_782_073_850_000_000_000, $rig->nanos(), 7200);
        $rig->pass(9.0);
        $rig->junction->setClock(1_782_073_859_000_000_000, $rig->nanos(), 7200);
        $rig->pass(3.0);
        self::assertNull(self::out($rig));
        // The clock is set back by three seconds: the minute has begun already.
        $rig->junction->setClock(1_782_073_859_000_000_000, $rig->nanos(), 7200);
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

    public function testWhatIsChosenAndWhatIsRepeatedMayWaitToo(): void
    {
        $say = static fn(int $value): array => ['kind' => 'set', 'point' => 'value:out', 'value' => $value];
        $wait = ['kind' => 'wait', 'seconds' => 1];
        $rig = self::rig(['do' => [
            ['kind' => 'choose', 'options' => [
                ['kind' => 'within', 'low' => 1, 'high' => 1, 'do' => [$say(10), $wait, $say(11)]],
                ['kind' => 'within', 'low' => 0, 'high' => 9, 'do' => [['kind' => 'repeat', 'times' => 2, 'do' => [$say(20), $wait, $say(21), $wait]]]],
            ]],
            $say(30),
        ]]);
        $rig->osc('/x', 1.0);
        self::assertSame(10.0, self::out($rig));
        $rig->pass(1.01);
        self::assertSame(30.0, self::out($rig), 'the rest of the option, and what comes after it');
        $rig->osc('/x', 5.0);
        $seen = [self::out($rig)];
        for ($i = 0; $i < 4; ++$i) {
            $rig->pass(1.01);
            $seen[] = self::out($rig);
        }
        self::assertSame([20.0, 21.0, 20.0, 21.0, 30.0], $seen);
    }

    public function testItIsRepeatedEverySoOftenUntilSomethingIsSo(): void
    {
        $rig = self::rig(['do' => [[
            'kind' => 'repeat',
            'times' => 1000,
            'every' => 0.1,
            'until' => [['kind' => 'point', 'point' => 'value:goal', 'is' => 3]],
            'do' => [['kind' => 'send', 'port' => 'tablet', 'message' => ['kind' => 'osc', 'address' => '/told', 'arguments' => [['kind' => 'float']]]]],
        ]]]);
        $rig->osc('/x', 5.0);
        self::assertCount(10, self::passed($rig, 1.05));
        $rig->junction->set(self::point('value:goal'), 3, new Act('ada', 'Ada'), $rig->nanos());
        self::assertCount(0, self::passed($rig, 1.0));
        $rig->junction->set(self::point('value:goal'), 0, new Act('ada', 'Ada'), $rig->nanos());
        self::assertCount(0, self::passed($rig, 1.0), 'it has ended');
        $rig->osc('/x', 5.0);
        self::assertCount(5, self::passed($rig, 0.55));
        $rig->junction->press(self::point('route:r/stop'), new Act('ada', 'Ada'), $rig->nanos());
        self::assertCount(0, self::passed($rig, 1.0), 'and it is stopped by hand');
        $this->expectException(ShowRefused::class);
        $this->expectExceptionMessage('In a row it is done up to 100 times');
        self::rig(['do' => [['kind' => 'repeat', 'times' => 101, 'do' => [self::OUT]]]]);
    }

    public function testRoundsWithinRoundsAreBounded(): void
    {
        $do = [self::OUT];
        for ($i = 0; $i < 6; ++$i) {
            $do = [['kind' => 'repeat', 'times' => 100, 'do' => $do]];
        }
        $rig = self::rig(['do' => $do]);
        $rig->osc('/x', 5.0);
        self::assertSame(5.0, self::out($rig));
        self::assertStringContainsString('do 2000 things in one turn', implode("\n", $rig->allHops()));
    }

    public function testARouteWaitsForAnotherAndForAPress(): void
    {
        $rig = self::rig(['do' => [['kind' => 'press', 'point' => 'value:switch']]], [
            ['id' => 'after', 'name' => 'After', 'when' => ['kind' => 'fired', 'point' => 'route:r'], 'do' => [self::OUT]],
            ['id' => 'press', 'name' => 'Press', 'when' => ['kind' => 'pressed', 'point' => 'value:switch'], 'do' => [['kind' => 'set', 'point' => 'value:goal', 'value' => 8]]],
            ['id' => 'self', 'name' => 'Self', 'when' => ['kind' => 'fired', 'point' => 'route:self'], 'do' => [['kind' => 'set', 'point' => 'value:goal']]],
        ]);
        $rig->osc('/x', 5.0);
        self::assertSame([5.0, 8.0], [self::out($rig), $rig->junction->points()->read(self::point('value:goal'))]);
        $rig->junction->press(self::point('route:self'), new Act('ada', 'Ada'), $rig->nanos());
        self::assertStringContainsString('routes that call each other go 16 deep', implode("\n", $rig->allHops()));
        self::assertLessThanOrEqual(20, $rig->junction->points()->read(self::point('route:self/fired')));
    }

    public function testValuesThatComeFastPutNothingOff(): void
    {
        foreach ([['kind' => 'ramp', 'seconds' => 0.5], ['kind' => 'smooth', 'seconds' => 0.1], ['kind' => 'slew', 'perSecond' => 80]] as $step) {
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
        $rig->adopt(self::parts(['name' => 'Renamed', 'steps' => [['kind' => 'delay', 'seconds' => 9], ['kind' => 'scale', 'from' => [0, 1], 'to' => [0, 50]]]]));
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

    private const OUT = ['kind' => 'set', 'point' => 'value:out'];

    /** @param array<string, mixed> $route */
    private static function rig(array $route, array $others = []): Rig
    {
        $parts = self::parts($route);

        return new Rig(['routes' => [...$parts['routes'], ...$others]] + $parts);
    }

    /**
     * @param array<string, mixed> $route
     *
     * @return array<string, mixed>
     */
    private static function parts(array $route): array
    {
        $when = static fn(string $address): array => [['kind' => 'message', 'port' => 'tablet', 'address' => $address, 'argument' => 1]];

        return [
            'values' => [
                ['id' => 'out', 'name' => 'Out', 'type' => 'number', 'low' => -1000, 'high' => 1000, 'start' => -1000],
                ['id' => 'goal', 'name' => 'Goal', 'type' => 'number', 'low' => 0, 'high' => 100],
                ['id' => 'switch', 'name' => 'Switch', 'type' => 'switch'],
            ],
            'routes' => [
                ['id' => 'r', 'name' => 'R', 'when' => $when('/x'), 'do' => [self::OUT], ...$route],
                ['id' => 'other', 'name' => 'Other', 'when' => $when('/y'), 'do' => [['kind' => 'press', 'point' => 'route:other/fired']]],
            ],
        ];
    }

    /**
     * @param list<array{int|float, float}> $values each with the seconds that pass after it
     *
     * @return list<float|null> where the value is after each
     */
    private static function sequence(Rig $rig, array $values): array
    {
        $seen = [];
        foreach ($values as [$value, $seconds]) {
            $rig->osc('/x', (float) $value);
            $seen[] = self::out($rig);
            $rig->pass($seconds);
        }

        return $seen;
    }

    /** @return list<array{float, string, float|null}> when a message left, its address, and where the value was in the end of its turn */
    private static function passed(Rig $rig, float $seconds): array
    {
        $began = $rig->now - 0.4;
        $left = [];
        for ($step = 0; $step < $seconds * 20; ++$step) {
            foreach ($rig->pass(0.05) as [$at, $packet]) {
                if (str_starts_with($packet->bytes, '/told')) {
                    $left[] = [round($at - $began, 2), explode("\0", $packet->bytes)[0], self::out($rig)];
                }
            }
        }

        return $left;
    }

    private static function out(Rig $rig): ?float
    {
        $value = $rig->junction->points()->read(self::point('value:out'));

        return (float) $value === -1000.0 ? null : (float) $value;
    }

    private static function missed(Rig $rig): string
    {
        return implode(' ', $rig->hops('message'));
    }

    private static function point(string $text): Reference
    {
        return Reference::parse($text) ?? throw new \LogicException('it is one');
    }
}
