<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Route;

use NimbleJunction\Core\Live\Echoes;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Wire\FrameRate;
use NimbleJunction\Core\Wire\Midi\FullFrame;
use NimbleJunction\Core\Wire\TimeCode;
use NimbleJunction\Tests\Support\Rig;
use NimbleJunction\Tests\Support\TriggerMessages;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\TestCase;

/** What each kind of trigger takes, and what it leaves; bytes by MIDI 1.0 (from memory). */
final class TriggersTest extends TestCase
{
    /** @var list<float> what the route has said to the tablet */
    private array $taken = [];

    /**
     * @param array<string, mixed> $trigger
     * @param list<string> $messages
     * @param list<float> $values
     */
    #[DataProviderExternal(TriggerMessages::class, 'all')]
    public function testATriggerTakesItsOwn(array $trigger, array $messages, array $values): void
    {
        $rig = $this->rig($trigger + ['port' => 'lectern']);
        $this->plays($rig, $messages);
        self::assertSame($values, $this->taken);
    }

    /**
     * @return iterable<string, array{string, list<string>, int}> the time waited for, times that are said, how often it
     * is taken
     */
    public static function times(): iterable
    {
        $runs = static fn(string ...$times): array => array_map(static fn(string $time): string => "runs {$time}", $times);
        yield 'it stands there' => ['01:00:00:00', ['jumps 01:00:00:00'], 1];
        yield 'it runs past' => [
            '01:00:00:00',
            $runs('00:59:59:20', '00:59:59:22', '00:59:59:24', '01:00:00:01', '01:00:00:03'),
            1,
        ];
        yield 'it runs onto it' => ['01:00:00:00', $runs('00:59:59:24', '01:00:00:00', '01:00:00:02'), 1];
        yield 'it jumps across' => ['01:00:00:00', ['runs 00:59:00:00', 'jumps 01:10:00:00', 'runs 01:10:00:02'], 0];
        yield 'it jumps onto it, and runs on' => ['01:00:00:00', ['jumps 01:00:00:00', 'runs 01:00:00:02'], 1];
        yield 'it runs across after more than a second of silence' => ['01:00:00:00', $runs('00:59:50:00', '01:00:10:00'), 0];
        yield 'it runs backwards' => ['01:00:00:00', $runs('01:00:00:02', '00:59:59:24'), 0];
        yield 'midnight' => ['00:00:00:00', $runs('23:59:59:24', '00:00:00:01'), 1];
        yield 'a frame that the rate has not' => ['01:00:00:29', $runs('01:00:00:23', '01:00:01:01'), 1];
    }

    /** @param list<string> $said */
    #[DataProvider('times')]
    public function testTimeCodeComesToATime(string $at, array $said, int $times): void
    {
        $rig = $this->rig(['kind' => 'timecode', 'port' => 'lectern', 'at' => $at]);
        foreach ($said as $one) {
            [$how, $time] = explode(' ', $one);
            $code = TimeCode::of(FrameRate::Ebu, ...array_map(intval(...), explode(':', $time)));
            $this->plays(
                $rig,
                $how === 'jumps' ? [bin2hex((new FullFrame($code))->message()->encode())] : self::quarterFrames($code->plus(-2)),
            );
        }
        self::assertCount($times, $this->taken);
    }

    public function testAPortThatLosesFramesIsUnsteady(): void
    {
        $routes = [];
        foreach (['gained', 'lost', 'unsteady'] as $state) {
            $routes[] = [
                'id' => $state,
                'name' => ucfirst($state),
                'when' => ['kind' => 'port', 'port' => 'guest', 'state' => $state],
                'do' => [['kind' => 'set', 'point' => 'slot:palm/100']],
            ];
        }
        $rig = new Rig(['ports' => Rig::document()['ports'], 'routes' => $routes]);
        $fired = fn(): array => array_map(
            fn(string $id) => $rig->junction->points()->read($this->point("route:{$id}/fired")),
            ['gained', 'lost', 'unsteady'],
        );
        $rig->pass(1);
        $sequence = 0;
        $send = static function (int $frames, int $step) use ($rig, &$sequence): void {
            for ($i = 0; $i < $frames; ++$i) {
                $sequence = ($sequence + $step) & 255;
                $rig->sacn([1 => $i & 255], sequence: $sequence);
                $rig->pass(0.025);
            }
        };
        $send(160, 1);
        self::assertSame([1, 0, 0], $fired(), 'forty a second, one after the other');
        self::assertSame(1, $rig->junction->points()->read($this->point('port:guest/steady')));
        $send(160, 2);
        self::assertSame([1, 0, 1], $fired(), 'every second number is missing');
        $send(200, 1);
        self::assertSame(1, $rig->junction->points()->read($this->point('port:guest/steady')));
        $rig->pass(4);
        self::assertSame([1, 1, 1], $fired());
        $send(4, 1);
        $rig->pass(0.3);
        self::assertSame([2, 1], \array_slice($fired(), 0, 2), 'it is back');
    }

    /** What a route sends comes back to it through a cable that leads back: it would run for ever, as fast as it can. */
    public function testARouteThatSetsItselfOffIsCutAfterAHundredTimesASecond(): void
    {
        $rig = $this->rig(
            ['kind' => 'program', 'port' => 'lectern', 'channel' => 1],
            [['kind' => 'send', 'port' => 'lectern', 'message' => ['kind' => 'program', 'channel' => 1, 'program' => 5]]],
        );
        $came = 'c001';
        $rounds = 0;
        while ($came !== '' && $rounds < 1000) {
            ++$rounds;
            $came = implode('', $this->plays($rig, [$came]));
        }
        self::assertSame(Echoes::MOST_A_SECOND + 2, $rounds, 'the first was not our own, and the last one is not answered');
        self::assertContains('refused: cut at "R": it has set itself off 100 times this second', $rig->hops('message'));
        self::assertSame(['c005'], $this->plays($rig, ['c002']), 'whoever else says it is heard');
        $rig->pass(1.1);
        self::assertSame(['c005'], $this->plays($rig, ['c005']), 'a second later it is somebody else');
    }

    /** Holds, and how routes are, tell nobody: they are looked at after whatever may have changed them. */
    public function testEveryPointCanBeATrigger(): void
    {
        $when = static fn(string $id, string $point, int $slot): array => [
            'id' => $id,
            'name' => ucfirst($id),
            'when' => ['kind' => 'point', 'point' => $point],
            'do' => [['kind' => 'set', 'point' => "slot:palm/{$slot}", 'value' => 200]],
        ];
        $rig = new Rig(
            [
                'ports' => Rig::document()['ports'],
                'routes' => [
                    $when('held', 'hold:palm/5', 101),
                    $when('turned', 'route:held/enabled', 102),
                    $when('fired', 'route:held/fired', 103),
                ],
            ],
        );
        $act = new Act('ada', 'Ada');
        self::assertSame([0, 0, 0], $rig->levelsOf(101, 102, 103));
        $rig->junction->set($this->point('hold:palm/5'), 60, $act, $rig->nanos());
        $rig->pass(0.005);
        self::assertSame([200, 0, 200], $rig->levelsOf(101, 102, 103), 'the hold, and in the turn after what came of it');
        $rig->junction->set($this->point('route:held/enabled'), 0, $act, $rig->nanos());
        $rig->pass(0.005);
        self::assertSame(200, $rig->level(102));
    }

    public function testARouteThatWaitsForItsOwnFiringIsCutToo(): void
    {
        $rig = new Rig(
            [
                'ports' => Rig::document()['ports'],
                'routes' => [
                    [
                        'id' => 'r',
                        'name' => 'R',
                        'when' => [
                            ['kind' => 'osc', 'port' => 'tablet', 'address' => '/a'],
                            ['kind' => 'point', 'point' => 'route:r/fired'],
                        ],
                        'do' => [['kind' => 'set', 'point' => 'slot:palm/9']],
                    ],
                ],
            ],
        );
        $rig->osc('/a', 1.0);
        $rig->pass(3.0);
        $fired = $rig->junction->points()->read($this->point('route:r/fired'));
        self::assertLessThanOrEqual(4 * Echoes::MOST_A_SECOND + 1, $fired);
        self::assertGreaterThan(50, $fired);
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function wrong(): iterable
    {
        yield 'nine bits' => [
            ['kind' => 'controller', 'port' => 'lectern', 'controller' => 1, 'bits' => 9],
            'bits',
            'Use 7 or 14.',
        ];
        yield '14 bits of a controller that has 7' => [
            ['kind' => 'controller', 'port' => 'lectern', 'controller' => 64, 'bits' => 14],
            'controller',
            '0 to 31',
        ];
        yield 'the fifth beat of four' => [['kind' => 'beat', 'port' => 'lectern', 'beat' => 5], 'beat', 'A bar has 4 beats.'];
        yield 'a time without frames' => [
            ['kind' => 'timecode', 'port' => 'lectern', 'at' => '01:00:00'],
            'at',
            'like 01:00:00:00',
        ];
        yield 'an hour too late' => [
            ['kind' => 'timecode', 'port' => 'lectern', 'at' => '24:00:00:00'],
            'at',
            'like 01:00:00:00',
        ];
        yield 'a port that is not there' => [['kind' => 'port', 'port' => 'nobody'], 'port', 'there is no port "nobody"'];
    }

    /** @param array<string, mixed> $trigger */
    #[DataProvider('wrong')]
    public function testWhatCannotBeIsRefusedWhereItStands(array $trigger, string $field, string $words): void
    {
        $route = ['id' => 'r', 'name' => 'R', 'when' => $trigger, 'do' => [['kind' => 'set', 'point' => 'slot:palm/1']]];
        try {
            ShowReader::fromArray(
                [...Rig::document(), 'ports' => [...Rig::document()['ports'], Rig::CABLE], 'routes' => [$route]],
            );
            self::fail('it was taken');
        } catch (ShowRefused $refused) {
            self::assertSame("/routes/0/when/{$field}", $refused->faults[0]->path);
            self::assertStringContainsString($words, $refused->faults[0]->spelled());
        }
    }

    /**
     * @param array<string, mixed> $trigger
     * @param list<array<string, mixed>>|null $do
     */
    private function rig(array $trigger, ?array $do = null): Rig
    {
        $do ??= [
            [
                'kind' => 'send',
                'port' => 'tablet',
                'message' => ['kind' => 'osc', 'address' => '/took', 'arguments' => [['kind' => 'float']]],
            ],
        ];

        return new Rig(
            [
                'ports' => [...Rig::document()['ports'], Rig::CABLE],
                'routes' => [['id' => 'r', 'name' => 'R', 'when' => $trigger, 'do' => $do]],
            ],
        );
    }

    /**
     * @param list<string> $messages in hexadecimal
     *
     * @return list<string> what left by the cable
     */
    private function plays(Rig $rig, array $messages): array
    {
        $left = [];
        foreach ($messages as $hex) {
            foreach ($rig->junction->arrived(
                'midi cable lectern',
                'cable lectern',
                0,
                (string) hex2bin($hex),
                $rig->nanos(),
            ) as $packet) {
                if ($packet->portId === 'lectern') {
                    $left[] = bin2hex($packet->bytes);
                } elseif ($packet->portId === 'tablet') {
                    $this->taken[] = (float) unpack('G', substr($packet->bytes, -4))[1];
                }
            }
        }

        return $left;
    }

    /**
     * @return list<string> eight pieces: a nibble each, the lowest first, with the rate in the last (MIDI Time Code,
     * "Quarter Frame Messages", from memory)
     */
    private static function quarterFrames(TimeCode $time): array
    {
        $pieces = [];
        foreach ([$time->frames, $time->seconds, $time->minutes, $time->hours | 1 << 5] as $i => $value) {
            $pieces[] = \sprintf('f1%02x', 2 * $i << 4 | $value & 15);
            $pieces[] = \sprintf('f1%02x', 2 * $i + 1 << 4 | $value >> 4);
        }

        return $pieces;
    }

    private function point(string $text): Reference
    {
        return Reference::parse($text) ?? self::fail($text);
    }
}
