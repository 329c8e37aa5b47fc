<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Scope\Probe;
use NimbleJunction\Core\Scope\Probes;
use NimbleJunction\Core\Scope\Subject;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** What a value did over time; expected numbers are those that the tests themselves send. */
final class ScopeTest extends TestCase
{
    public function testAWaveThatArrivesAsStepsIsExplained(): void
    {
        $rig = new Rig();
        $probe = $this->watch($rig, 'slot:palm:3');
        for ($frame = 0; $frame < 400; ++$frame) {
            // A desk that sends 40 frames a second, and moves this slot with every fifth of them.
            $rig->artNet([3 => intdiv($frame, 5) * 8 % 200]);
            $rig->pass(0.025);
        }
        $analysis = $probe->analysis($rig->nanos());
        self::assertSame(
            'Steps of 8 every 125 ms: the sender updates this 8 times a second, evenly (± 0 ms), though it arrives 40 times a second.',
            $analysis->words,
        );
        self::assertEqualsWithDelta([8.0, 8.0, 125.0], [$analysis->changes, $analysis->step, $analysis->everyMillis], 0.01);
    }

    public function testASmoothWaveChangesWithEveryFrame(): void
    {
        $rig = new Rig();
        $probe = $this->watch($rig, 'slot:palm:3');
        for ($frame = 0; $frame < 200; ++$frame) {
            $rig->artNet([3 => $frame % 250]);
            $rig->pass(0.025);
        }
        self::assertStringStartsWith(
            'It changes nearly every time it arrives, 40 times a second, evenly',
            $probe->analysis($rig->nanos())->words,
        );
    }

    public function testUnevenTimesAreCalledUneven(): void
    {
        $rig = new Rig();
        $probe = $this->watch($rig, 'slot:palm:3');
        for ($frame = 0; $frame < 60; ++$frame) {
            $rig->artNet([3 => $frame]);
            $rig->pass([0.02, 0.18][$frame % 2]);
        }
        self::assertStringContainsString('unevenly (± 80 ms)', $probe->analysis($rig->nanos())->words);
    }

    public function testAPointIsSeenWheneverItHasAnotherValue(): void
    {
        $rig = new Rig(
            [
                'values' => [
                    ['id' => 'wind', 'name' => 'Wind', 'type' => 'number'],
                    ['id' => 'mood', 'name' => 'Mood', 'type' => 'text'],
                ],
            ],
        );
        $probe = $this->watch($rig, 'point:value:wind');
        $mood = $this->watch($rig, 'point:value:mood');
        $act = new Act('ada', 'Ada');
        foreach ([10, 20, 20, 5] as $wind) {
            $rig->junction->set(Reference::parse('value:wind') ?? self::fail(), $wind, $act, $rig->nanos());
            $rig->junction->set(Reference::parse('value:mood') ?? self::fail(), 'calm', $act, $rig->nanos());
            $rig->pass(0.5);
        }
        self::assertSame([10.0, 20.0, 5.0], array_column($probe->since(0), 1), 'what stays the same is no arrival');
        self::assertSame([], $mood->since(0), 'a text has no curve');
        self::assertNull(Subject::parse('point:nothing'));
        self::assertSame('point:fixture:lantern/pan', Subject::parse('point:fixture:lantern/pan')?->key());
    }

    public function testASteadyValueAndNone(): void
    {
        $rig = new Rig();
        $probe = $this->watch($rig, 'slot:palm:3');
        self::assertStringContainsString('Nothing has arrived', $probe->analysis($rig->nanos())->words);
        for ($frame = 0; $frame < 10; ++$frame) {
            $rig->artNet([3 => 44]);
            $rig->pass(0.5);
        }
        self::assertSame('Steady at 44: it arrives 2 times a second.', $probe->analysis($rig->nanos())->words);
    }

    public function testANumberInAMessage(): void
    {
        $rig = new Rig();
        $probe = $this->watch($rig, 'message:tablet:2:/xy');
        foreach ([0.25, 0.5, 0.5, 1.0] as $value) {
            $rig->osc('/xy', 9, $value);
            $rig->osc('/other', 1, 2);
            $rig->osc('/xy', 'no number there');
            $rig->pass(0.1);
        }
        self::assertSame([0.25, 0.5, 0.5, 1.0], array_column($probe->since(0), 1));
        self::assertSame([3 => 1.0], array_map(static fn(array $point): float => $point[1], $probe->since(3)));
        self::assertSame([], $probe->since(4));
    }

    public function testItKeepsAMinuteAndNoMore(): void
    {
        $rig = new Rig();
        $probe = $this->watch($rig, 'slot:palm:1');
        for ($second = 0; $second < 100; ++$second) {
            $rig->artNet([1 => $second]);
            $probe->askedAt = $rig->nanos();
            $rig->pass(1);
        }
        $values = array_column($probe->since(0), 1);
        self::assertSame([39.0, 99.0], [$values[0], $values[\count($values) - 1]]);
        for ($i = 0; $i < 7000; ++$i) {
            $probe->arrived(1.0, $rig->nanos());
        }
        self::assertCount(6000, $probe->since(0), 'bounded, however fast it comes');
    }

    public function testSubjectsAreReadStrictly(): void
    {
        foreach ([
            '',
            'slot:palm',
            'slot:palm:0',
            'slot:palm:513',
            'slot:PALM:1',
            'message:tablet:0:/x',
            'message:tablet:1:x',
            'level:palm:1',
        ] as $text) {
            self::assertNull(Subject::parse($text), $text);
        }
        foreach (['slot:palm:512', 'message:tablet:64:/a/b'] as $text) {
            self::assertSame($text, Subject::parse($text)?->key());
        }
    }

    public function testProbesThatNobodyLooksAtAreTakenAway(): void
    {
        $probes = new Probes();
        for ($slot = 1; $slot <= Probes::MOST; ++$slot) {
            self::assertNotNull($probes->watch(Subject::parse("slot:palm:{$slot}"), 0));
        }
        self::assertNull($probes->watch(Subject::parse('slot:palm:400'), 1_000_000_000), 'too many');
        self::assertNotNull($probes->watch(Subject::parse('slot:palm:400'), 11_000_000_000));
        $probes->levels('palm', str_repeat("\x07", 512), 12_000_000_000);
        self::assertCount(1, $probes->watch(Subject::parse('slot:palm:400'), 12_000_000_000)->since(0));
        self::assertSame([], $probes->watch(Subject::parse('slot:palm:1'), 12_000_000_000)->since(0), 'a new one');
    }

    private function watch(Rig $rig, string $subject): Probe
    {
        return $rig->junction->probes->watch(Subject::parse($subject), $rig->nanos());
    }
}
