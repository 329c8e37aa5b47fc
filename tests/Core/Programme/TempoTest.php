<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Programme;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Programme\ClockTempo;
use NimbleJunction\Core\Programme\Taps;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Tempo against beats that are generated, with jitter of a stated deviation. 81.37, 98.96 and 128 BPM: common practice, no source. */
final class TempoTest extends TestCase
{
    private const TICK = 'f8';

    /** @return iterable<string, array{float}> */
    public static function tempos(): iterable
    {
        yield '81.37' => [81.37];
        yield '98.96' => [98.96];
        yield '128' => [128.0];
    }

    #[DataProvider('tempos')]
    public function testTapsOfAHandAreAveragedAndOutliersDropped(float $bpm): void
    {
        mt_srand(5);
        $taps = new Taps();
        $at = 1_000_000_000.0;
        $found = null;
        for ($i = 0; $i < 12; ++$i) {
            // A hand: normally distributed with 10 ms, as a sum of twelve even ones; one beat is tapped 120 ms late.
            $found = $taps->tap((int) round($at + self::normal(10e6) + ($i === 8 ? 120e6 : 0))) ?? $found;
            $at += 60e9 / $bpm;
        }
        self::assertNotNull($found);
        self::assertEqualsWithDelta($bpm, $found, $bpm * 0.025);
        self::assertNull($taps->tap((int) $at + 10_000_000_000), 'after a while a row begins anew');
    }

    #[DataProvider('tempos')]
    public function testAClocksJitterIsFiltered(float $bpm): void
    {
        mt_srand(6);
        $clock = new ClockTempo();
        $worst = $worstBeat = 0.0;
        for ($i = 0; $i < 24 * 32; ++$i) {
            // 2 ms of jitter, normally distributed: a tick of 128 BPM takes 19.5 ms.
            $clock->tick((int) round(1e9 + $i * 60e9 / $bpm / 24 + self::normal(2e6)));
            if ($i > 96) {
                [$is, $beat] = $clock->line();
                $worst = max($worst, abs($is - $bpm) / $bpm);
                $worstBeat = max($worstBeat, abs($beat - $i / 24) * 60e3 / $bpm);
            }
        }
        // The slope of a line through 96 points with a deviation of s has one of s·√(12/96³): 0.007 ms of a tick, 0.04 %.
        self::assertLessThan(0.002, $worst, 'the tempo, as a part of itself');
        self::assertLessThan(8.0, $worstBeat, 'where the beat is, in milliseconds: the last tick itself is early or late');
    }

    public function testTapTypedDoubledHalvedNudgedAndExact(): void
    {
        $evening = self::evening();
        self::assertSame([120.0, 1], [$evening->read('tempo:main'), $evening->read('tempo:main/running')]);
        foreach ([98.96, 81.37, 128.0] as $bpm) {
            self::assertSame('', $evening->set('tempo:main', $bpm));
            self::assertSame($bpm, $evening->read('tempo:main'), 'kept exact');
        }
        $evening->press('tempo:main/half');
        self::assertSame(64.0, $evening->read('tempo:main'));
        $evening->press('tempo:main/double');
        $evening->set('tempo:main/nudge', 0.5);
        self::assertSame(128.5, $evening->read('tempo:main'));
        foreach (range(1, 5) as $i) {
            $evening->press('tempo:main/tap');
            $evening->rig->pass(0.6);
        }
        self::assertEqualsWithDelta(100.0, $evening->read('tempo:main'), 1e-9);
    }

    public function testBeatsAndBarsAreOccurrences(): void
    {
        $evening = self::evening();
        $evening->set('tempo:main', 60);
        $evening->press('tempo:main/align');
        $seen = [];
        for ($i = 0; $i < 24; ++$i) {
            $evening->rig->pass(0.25);
            $seen[] = $evening->read('value:count');
        }
        // Four quarters of a second for each; the bar's first beat is counted by a route.
        self::assertSame(2.0, $evening->read('value:count') - $seen[0] + ($seen[0] > 0 ? 1 : 0), implode(' ', $seen));
        $evening->set('tempo:main/running', 0);
        $before = $evening->read('tempo:main/beat');
        $evening->rig->pass(3.0);
        self::assertSame($before, $evening->read('tempo:main/beat'), 'what stands has no beats');
    }

    public function testTheBestSourceThatIsAliveLeadsAndALostClockCarriesOn(): void
    {
        $evening = self::evening();
        $this->ticks($evening, 128.0, 60, 'lectern');
        self::assertEqualsWithDelta(128.0, $evening->read('tempo:main'), 0.01);
        self::assertSame('the clock of a port leads', $evening->set('tempo:main', 90));
        $live = $evening->rig->junction->programme->tempos->of('main');
        self::assertSame(['clock', 'lectern', false], [$live?->source($evening->rig->nanos()), $live?->leader, $live?->isCarriedOn]);
        $evening->rig->pass(2.0);
        self::assertEqualsWithDelta(128.0, $evening->read('tempo:main'), 0.01, 'it carries on');
        self::assertSame(['hand', true], [$live?->source($evening->rig->nanos()), $live?->isCarriedOn], 'and says so');
        // A message that says the tempo: for a while a hand is left.
        $evening->rig->osc('/bpm', 81.37);
        self::assertEqualsWithDelta(81.37, $evening->read('tempo:main'), 1e-4, 'a float of OSC has 24 bits');
        self::assertSame('messages say the tempo', $evening->press('tempo:main/tap'));
        $evening->rig->pass(11.0);
        self::assertSame('', $evening->set('tempo:main', 90));
    }

    public function testItsClockLeavesWithTwentyFourTicksABeat(): void
    {
        $evening = self::evening(['sends' => ['lectern']]);
        $evening->set('tempo:main', 120);
        $evening->rig->pass(1.0);
        $ticks = array_filter(
            $evening->rig->pass(10.0),
            static fn(array $one): bool => $one[1]->portId === 'lectern' && $one[1]->bytes === "\xF8",
        );
        self::assertEqualsWithDelta(480, \count($ticks), 1);
        $times = array_column(array_values($ticks), 0);
        for ($i = 1; $i < \count($times); ++$i) {
            self::assertEqualsWithDelta(1 / 48, $times[$i] - $times[$i - 1], 1e-6);
        }
    }

    /** Tempo and beat leave as OSC by routes, the phase stands on a slot by a wave: 0 to 255 from beat to beat. */
    public function testTempoAndBeatLeaveAsOscAndThePhaseStandsOnASlot(): void
    {
        $tells = static fn(string $id, string $point, string $address, string $type): array => [
            'id' => $id, 'name' => $id, 'when' => ['kind' => 'point', 'point' => $point],
            'do' => [['kind' => 'send', 'port' => 'tablet', 'message' => ['kind' => 'osc', 'address' => $address, 'arguments' => [['kind' => $type]]]]],
        ];
        $evening = new Evening([
            'tempos' => [['id' => 'main', 'name' => 'Main', 'start' => 60]],
            'waves' => [['id' => 'phase', 'name' => 'Phase', 'shape' => 'ramp-up', 'mode' => 'replace', 'centre' => 50, 'size' => 50, 'unit' => 'beats', 'rate' => 1, 'on' => [['point' => 'slot:palm/100']]]],
            'routes' => [$tells('bpm', 'tempo:main', '/tempo', 'float'), $tells('beat', 'tempo:main/beat', '/beat', 'int')],
        ]);
        $evening->press('tempo:main/align');
        $evening->set('wave:phase', 1);
        $sent = array_column($evening->rig->pass(0.01), 1);
        array_push(
            $sent,
            ...$evening->rig->junction->set(Evening::point('tempo:main'), 120, new Act('hand', 'Ada'), $evening->rig->nanos())[1],
        );
        array_push($sent, ...array_column($evening->rig->pass(1.99), 1));
        $told = [];
        foreach ($sent as $packet) {
            if ($packet->port === 9000) {
                $message = Message::decode($packet->bytes);
                $told[$message->address][] = $message->arguments[0]->value;
            }
        }
        self::assertSame([120.0], $told['/tempo']);
        self::assertGreaterThanOrEqual(4, \count($told['/beat']), 'four beats in two seconds');
        for ($i = 1; $i < \count($told['/beat']); ++$i) {
            self::assertSame($told['/beat'][$i - 1] % 4 + 1, $told['/beat'][$i], 'one after the other, in bars of four');
        }
        $levels = [$evening->rig->level(100)];
        for ($i = 0; $i < 40; ++$i) {
            $evening->rig->pass(0.05);
            $levels[] = $evening->rig->level(100);
        }
        self::assertGreaterThan(220, max($levels));
        self::assertLessThan(35, min($levels));
        $falls = array_filter(range(1, 40), static fn(int $i): bool => $levels[$i] < $levels[$i - 1]);
        self::assertCount(4, $falls, 'it begins anew with each of four beats: '.implode(' ', $levels));
    }

    public function testCuesFollowOnTheBeatAlsoWhenTheTempoChangesAndOverARestart(): void
    {
        $evening = new Evening(['tempos' => [['id' => 'main', 'name' => 'Main']], 'lists' => [['id' => 'walk', 'name' => 'Walk', 'cues' => [
            ['number' => '1', 'up' => 0, 'follow' => ['kind' => 'beat', 'beats' => 4]],
            ['number' => '2', 'up' => 0, 'follow' => ['kind' => 'beat']],
            ['number' => '3', 'up' => 0, 'values' => Evening::values(['fixture:a/level' => 100])],
        ]]]]);
        $evening->set('tempo:main', 60);
        $evening->press('list:walk/go');
        $evening->rig->pass(1.9);
        $evening->set('tempo:main', 120);
        $evening->rig->pass(0.9);
        self::assertSame(1.0, $evening->read('list:walk'), '1.9 beats, and 1.8 twice as fast');
        $evening->rig->pass(0.3);
        self::assertSame(2.0, $evening->read('list:walk'));
        $again = $evening->restarted(0.1);
        self::assertSame(2.0, $again->read('list:walk'));
        $again->rig->pass(0.5);
        self::assertSame([3.0, 255], [$again->read('list:walk'), $again->levels()[0]]);
    }

    public function testItGoesOnAfterARestartOnTheBeat(): void
    {
        $evening = self::evening();
        $evening->set('tempo:main', 100);
        $evening->rig->pass(1.0);
        $before = $evening->rig->junction->programme->tempos->of('main')?->clock->at($evening->rig->nanos());
        $again = $evening->restarted(7.2);
        $after = $again->rig->junction->programme->tempos->of('main')?->clock->at($again->rig->nanos());
        self::assertEqualsWithDelta($before + 7.2 * 100 / 60, $after, 1e-6);
        self::assertSame(100.0, $again->read('tempo:main'));
    }

    public function testWhatDoesNotFitIsRefused(): void
    {
        foreach ([
            [['clocks' => ['tablet']], '/tempos/0/clocks/0'],
            [['sends' => ['gone']], '/tempos/0/sends/0'],
            [['start' => 0], '/tempos/0/start'],
        ] as [$tempo, $path]) {
            try {
                self::evening($tempo);
                self::fail($path);
            } catch (ShowRefused $refused) {
                self::assertContains($path, array_map(static fn($fault): string => $fault->path, $refused->faults));
            }
        }
    }

    /** @param array<string, mixed> $tempo */
    private static function evening(array $tempo = []): Evening
    {
        return new Evening([
            'ports' => [...Rig::document()['ports'], Rig::CABLE],
            'values' => [['id' => 'count', 'name' => 'Count', 'type' => 'number', 'high' => 1000]],
            'tempos' => [['id' => 'main', 'name' => 'Main', 'clocks' => ['lectern'], ...$tempo]],
            'routes' => [
                ['id' => 'bars', 'name' => 'Bars', 'when' => ['kind' => 'point', 'point' => 'tempo:main/beat', 'is' => 1], 'steps' => [['kind' => 'counter', 'high' => 1000]], 'do' => [['kind' => 'set', 'point' => 'value:count']]],
                ['id' => 'says', 'name' => 'Says', 'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/bpm'], 'do' => [['kind' => 'set', 'point' => 'tempo:main']]],
            ],
        ]);
    }

    private function ticks(Evening $evening, float $bpm, int $count, string $device): void
    {
        for ($i = 0; $i < $count; ++$i) {
            $evening->rig->arrive("midi cable {$device}", (string) hex2bin(self::TICK), "cable {$device}");
            $evening->rig->pass(60 / $bpm / 24);
        }
    }

    /** @return float normally distributed, with this deviation: twelve even ones summed up */
    private static function normal(float $deviation): float
    {
        $sum = -6.0;
        for ($i = 0; $i < 12; ++$i) {
            $sum += mt_rand() / mt_getrandmax();
        }

        return $sum * $deviation;
    }
}
