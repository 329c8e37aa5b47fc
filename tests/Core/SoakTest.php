<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\Capture\Capture;
use NimbleJunction\Core\Wire\Capture\Datagram;
use NimbleJunction\Core\Wire\Capture\Pcap;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** A whole evening in a few seconds, since time is handed in; and a recorded network played back. */
final class SoakTest extends TestCase
{
    /** Desks that come and go, faders, broken packets, edits, holds: nothing grows. */
    public function testAnEveningLeavesNothingBehind(): void
    {
        mt_srand(20261125);
        $rig = new Rig();
        $early = 0;
        for ($minute = 0; $minute < 60; ++$minute) {
            $this->minute($rig, $minute);
            if ($minute === 9) {
                $early = memory_get_usage();
            }
        }
        self::assertLessThan(96 * 1024, memory_get_usage() - $early, 'fifty minutes later no more memory is used');
        self::assertSame(500, \count($rig->junction->trace->since(0, \PHP_INT_MAX)), 'the trace is full, and no fuller');
        $rig->pass(20);
        self::assertLessThanOrEqual(
            $rig->nanos() + 1_000_000_000,
            $rig->junction->dueAt(),
            'it still wants to be woken for its repeats',
        );
        self::assertCount(
            0,
            array_filter($rig->junction->universes()['palm']->sources(), static fn($source): bool => ! $source->isSparse()),
            'every desk has gone',
        );
    }

    /** A list in a loop, waves, a tempo, and hands that recall, go, fade masters and edit: nothing grows. */
    public function testAProgrammeLeavesNothingBehind(): void
    {
        mt_srand(20261127);
        $evening = self::programme();
        $early = 0;
        // The trace is full first: it keeps five hundred, whatever happens.
        for ($i = 0; $i < 600; ++$i) {
            $evening->rig->osc("/page/{$i}", 0.5);
        }
        self::assertCount(500, $evening->rig->junction->trace->since(0, \PHP_INT_MAX));
        for ($minute = 0; $minute < 16; ++$minute) {
            $evening->rig->artNet([1 => mt_rand(0, 255), 5 => mt_rand(0, 255), 7 => mt_rand(0, 255)]);
            for ($act = 0; $act < 6; ++$act) {
                match (mt_rand(0, 7)) {
                    0, 1 => $evening->press('look:look-'.mt_rand(1, 6)),
                    2 => $evening->press('list:hand/go'),
                    3 => $evening->press(['list:hand/back', 'list:hand/release', 'list:hand/pause'][mt_rand(0, 2)]),
                    4 => $evening->set('master:grand', mt_rand(0, 100)),
                    5 => $evening->press('master:grand/'.['zero', 'full'][mt_rand(0, 1)]),
                    6 => $evening->set('look:look-'.mt_rand(1, 6), mt_rand(0, 100)),
                    default => $evening->press('tempo:music/tap'),
                };
                $evening->rig->pass(10.0);
            }
            $evening->rig->adopt($evening->rig->document);
            if ($minute === 5) {
                gc_collect_cycles();
                $early = memory_get_usage();
            }
        }
        $evening->press('programme:release');
        $evening->set('wave:breath', 0);
        $evening->set('wave:level', 0);
        gc_collect_cycles();
        self::assertLessThan(96 * 1024, memory_get_usage() - $early, 'ten minutes later no more memory is used');
        $evening->rig->pass(10.0);
        self::assertSame([], $evening->rig->junction->universes()['palm']->layers()->all(), 'nothing of ours is left');
    }

    private static function programme(): Evening
    {
        $values = static fn(int $i): array => Evening::values([
            'fixture:a/level' => 10 * $i,
            'fixture:h/pan' => 15 * $i,
            'fixture:c/level' => 12 * $i,
        ]);
        $cue = static fn(string $number, string $look, array $more = []): array => [
            'number' => $number,
            'look' => $look,
            'up' => 2,
            'down' => 3,
            ...$more,
        ];

        return new Evening([
            'looks' => array_map(
                static fn(int $i): array => [
                    'id' => "look-{$i}",
                    'name' => "Look {$i}",
                    'fadeIn' => $i % 4,
                    'fadeOut' => 1,
                    'values' => $values($i),
                    ...($i < 4 ? ['set' => 'room'] : []),
                ],
                range(1, 6),
            ),
            'lists' => [
                ['id' => 'loop', 'name' => 'Loop', 'end' => 'loop', 'tracking' => true, 'begins' => true, 'cues' => [
                    $cue('1', 'look-1', ['follow' => ['kind' => 'complete']]),
                    $cue('2', 'look-2', ['follow' => ['kind' => 'after', 'seconds' => 4]]),
                    $cue('3', 'look-3', ['follow' => ['kind' => 'beat', 'beats' => 3]]),
                ]],
                ['id' => 'hand', 'name' => 'Hand', 'end' => 'bounce', 'cues' => [$cue('1', 'look-4'), $cue('2', 'look-5', ['delay' => 1]), $cue('2.5', 'look-6')]],
            ],
            'masters' => [['id' => 'grand', 'name' => 'Grand', 'time' => 4], ['id' => 'own', 'name' => 'Own', 'over' => 'programme', 'time' => 2]],
            'waves' => [
                ['id' => 'breath', 'name' => 'Breath', 'shape' => 'smooth', 'rate' => 0.4, 'offset' => 90, 'begins' => true, 'on' => [['point' => 'group:all/level']]],
                ['id' => 'level', 'name' => 'Level', 'size' => 10, 'unit' => 'beats', 'rate' => 2, 'begins' => true, 'on' => [['point' => 'master:own'], ['point' => 'look:look-2']]],
            ],
            'tempos' => [['id' => 'music', 'name' => 'Music', 'start' => 98.96]],
        ]);
    }

    /** What was recorded is heard again, packet by packet, with the same result each time. */
    public function testARecordedNetworkGivesTheSameShowEachTime(): void
    {
        $results = [];
        $recording = $this->recording();
        for ($turn = 0; $turn < 2; ++$turn) {
            $rig = new Rig();
            $left = hash_init('sha256');
            $began = null;
            foreach (Capture::datagrams($recording) as $datagram) {
                $began ??= $datagram->at;
                foreach ($rig->pass(max(0, ($datagram->at - $began) / 1e9 + 1000 - $rig->now)) as [, $packet]) {
                    hash_update($left, "{$packet->address} {$packet->port} {$packet->bytes}");
                }
                $endpoint = [6454 => Rig::ART_NET, 5568 => Rig::SACN, 8000 => Rig::OSC][$datagram->destinationPort];
                foreach ($rig->arrive($endpoint, $datagram->payload, $datagram->source) as $packet) {
                    hash_update($left, "{$packet->address} {$packet->port} {$packet->bytes}");
                }
            }
            $results[] = [hash_final($left), $rig->level(1), $rig->level(2), $rig->level(5)];
        }
        self::assertSame($results[0], $results[1]);
        self::assertSame([199, 199, 255], \array_slice($results[0], 1), 'the last of Art-Net, of sACN and of OSC');
    }

    private function minute(Rig $rig, int $minute): void
    {
        for ($second = 0; $second < 60; $second += 2) {
            $rig->artNet([1 => mt_rand(0, 255), 5 => mt_rand(0, 255)], '127.0.0.'.(11 + $minute % 3));
            if ($minute % 4 !== 3) {
                $rig->sacn([1 => mt_rand(0, 255), mt_rand(1, 512) => 7], mt_rand(99, 101), 'desk '.($minute % 5));
            }
            $rig->osc('/lamp', mt_rand(0, 1000) / 1000);
            $rig->osc('/unknown/'.mt_rand(0, 100000), 1);
            $rig->arrive(Rig::ART_NET, str_repeat(\chr(mt_rand(0, 255)), mt_rand(0, 40)), '127.0.0.'.mt_rand(100, 200));
            $rig->artNet([1 => 1], number: mt_rand(100, 200));
            $rig->pass(2);
        }
        $rig->adopt(['name' => "Edit {$minute}"]);
        $rig->junction->hold(
            'palm',
            [new \NimbleJunction\Core\Universe\Hold($minute, 99, 'anna', $rig->nanos() + 5_000_000_000)],
            $rig->nanos(),
        );
        $rig->junction->restore($rig->junction->rooms()->state($rig->nanos()), $rig->nanos());
    }

    private function recording(): string
    {
        $datagrams = [];
        $at = 1_700_000_000_000_000_000;
        for ($i = 0; $i < 200; ++$i) {
            $at += 23_000_000;
            $datagrams[] = new Datagram(
                $at,
                '127.0.0.11',
                6454,
                '127.0.0.1',
                6454,
                (new Dmx(1, Rig::levels([1 => $i]), $i % 255 + 1))->encode(),
            );
            $datagrams[] = new Datagram(
                $at + 5_000_000,
                '127.0.0.12',
                5568,
                '127.0.0.1',
                5568,
                (new Data(str_repeat('g', 16), 1, Rig::levels([2 => $i]), $i & 255, 100, 'Guest'))->encode(),
            );
            if ($i % 10 === 9) {
                $datagrams[] = new Datagram(
                    $at + 9_000_000,
                    '127.0.0.15',
                    9000,
                    '127.0.0.1',
                    8000,
                    (new Message('/lamp', [Argument::float(($i + 1) / 200)]))->encode(),
                );
            }
        }

        return Pcap::write($datagrams);
    }
}
