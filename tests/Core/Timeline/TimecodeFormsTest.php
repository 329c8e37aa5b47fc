<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Timeline;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Wire\FrameRate;
use NimbleJunction\Core\Wire\Midi\MachineCommand;
use NimbleJunction\Core\Wire\Midi\MachineControl;
use NimbleJunction\Core\Wire\Midi\StandardTime;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\Rig;
use NimbleJunction\Tests\Support\Tshark;
use PHPUnit\Framework\TestCase;

/** Time code as it is said by other means than MIDI pieces: by Art-Net and OSC, and by machine control; what leaves is read by tshark. */
final class TimecodeFormsTest extends TestCase
{
    public function testWhatLeavesByArtNetIsReadByTshark(): void
    {
        foreach (['25' => 25, '29.97' => 30, '24' => 24] as $rate => $counted) {
            $evening = self::evening(['sends' => ['net'], 'rate' => (string) $rate]);
            $evening->set('timecode:tape', '00:00:59:00');
            $evening->press('timecode:tape/start');
            $packets = array_filter(
                $evening->rig->pass(2.0),
                static fn(array $one): bool => str_starts_with($one[1]->bytes, "Art-Net\0\x00\x97"),
            );
            $bytes = array_values(array_map(static fn(array $one): string => $one[1]->bytes, $packets));
            self::assertSame(
                ['0x9700'],
                array_values(array_unique(array_column(Tshark::fields($bytes, 6454, ['artnet.header.opcode']), 'artnet.header.opcode'))),
            );
            // tshark knows the packet and not its fields: they are at 14 to 18 (Art-Net 4, ArtTimeCode, from memory).
            $read = array_map(static fn(string $one): array => array_values(unpack('C5', $one, 14) ?: []), $bytes);
            self::assertEqualsWithDelta(2 * $counted, \count($read), 1);
            $times = array_map(static fn(array $one): string => "{$one[2]}:{$one[1]}:{$one[0]}", $read);
            self::assertSame($times, array_values(array_unique($times)), 'no frame twice');
            // At 29.97 the frames 0 and 1 of a minute are left out (SMPTE ST 12-1, from memory).
            $firstOfMinute = array_values(array_filter($times, static fn(string $time): bool => str_starts_with($time, '1:0:')))[0];
            self::assertSame((string) $rate === '29.97' ? '1:0:2' : '1:0:0', $firstOfMinute);
            self::assertSame([['25' => 1, '29.97' => 2, '24' => 0][$rate]], array_values(array_unique(array_column($read, 4))));
            // Each on its frame, whatever else happens meanwhile.
            $at = array_column($packets, 0);
            $start = reset($at);
            foreach (array_values($at) as $i => $when) {
                self::assertEqualsWithDelta(
                    $i / ((string) $rate === '29.97' ? 30000 / 1001 : $counted),
                    $when - $start,
                    0.0005,
                    "frame {$i} at {$rate}",
                );
            }
        }
    }

    public function testQuarterFramesAndAJumpThatLeaveAreReadByTshark(): void
    {
        $evening = self::evening(['sends' => ['lectern'], 'rate' => '29.97']);
        $jump = array_map(
            static fn($one): string => $one->bytes,
            $evening->rig->junction->set(
                Evening::point('timecode:tape'),
                '10:20:30:04',
                new Act('person', 'Ada'),
                $evening->rig->nanos(),
            )[1],
        );
        $begins = $evening->rig->junction->press(
            Evening::point('timecode:tape/start'),
            new Act('person', 'Ada'),
            $evening->rig->nanos(),
        )[1];
        $left = [
            ...array_map(static fn($one): string => $one->bytes, $begins),
            ...array_map(static fn(array $one): string => $one[1]->bytes, $evening->rig->pass(0.5)),
        ];
        $left = array_values(array_filter($left, static fn(string $bytes): bool => str_starts_with($bytes, "\xF1")));
        $read = Tshark::timeCode([...$jump, ...$left]);
        [$full] = $read;
        self::assertSame(
            ['10', '20', '30', '4'],
            [$full['rtpmidi.sysex_common_rt_mtc_fm_hour'], $full['rtpmidi.sysex_common_rt_mtc_fm_minute'], $full['rtpmidi.sysex_common_rt_mtc_fm_second'], $full['rtpmidi.sysex_common_rt_mtc_fm_frame']],
        );
        $pieces = array_slice($read, 1, 8);
        self::assertSame(
            range(0, 7),
            array_map(static fn(array $one): int => (int) hexdec(substr($one['rtpmidi.mtc_quarter_frame_type'], 2)), $pieces),
        );
        // tshark names the pieces and leaves their values out.
        [$frames, , $seconds, , $minutes, , $hours, $last] = array_map(static fn(string $bytes): int => \ord($bytes[1]) & 15, $left);
        self::assertSame([4, 14, 4, 10, 4], [$frames, $seconds, $minutes, $hours, $last], '10:20:30;04, and drop frame in the last piece');
    }

    public function testATimeByOscLeadsAsSecondsAndAsText(): void
    {
        foreach (['seconds', 'text'] as $form) {
            $evening = self::evening(['from' => ['tablet'], 'lost' => 'stop', 'osc' => '/song/time']);
            $say = static fn(float $at): array => $evening->rig->osc(
                '/song/time',
                $form === 'seconds' ? 3600.0 + $at : sprintf('01:00:%02d:%02d', (int) $at, (int) round(fmod($at, 1) * 25)),
            );
            for ($i = 0; $i < 30; ++$i) {
                $say($i * 0.2);
                $evening->rig->pass(0.2);
                if ($i > 1) {
                    self::assertEqualsWithDelta(
                        $i * 0.2 + 0.2,
                        $evening->read('timeline:song'),
                        0.05,
                        "{$form}: five times a second is enough",
                    );
                }
            }
            self::assertSame([1, 255], [$evening->read('timecode:tape/running'), $evening->levels()[0]]);
            // It may be silent for three times as long as between two of its words; then it is lost.
            $evening->rig->pass(0.3);
            self::assertSame(1, $evening->read('timeline:song/running'));
            $evening->rig->pass(0.5);
            self::assertSame(0, $evening->read('timeline:song/running'), $form);
            $say(1.0);
            self::assertSame(0, $evening->levels()[0], 'a jump back is one');
            $evening->rig->osc('/song/time', 'later');
            $evening->rig->osc('/song/time', -4.0);
            self::assertEqualsWithDelta(1.0, $evening->read('timeline:song'), 0.01, 'what is no time is none');
        }
    }

    public function testWhatLeavesByOscIsWhatItSays(): void
    {
        foreach (['seconds' => [3600.0, 3600.04], 'text' => ['01:00:00:00', '01:00:00:01']] as $says => $first) {
            $evening = self::evening(['sends' => ['tablet'], 'oscSays' => $says]);
            $evening->set('timecode:tape', '01:00:00:00');
            $evening->press('timecode:tape/start');
            $sent = [];
            foreach ($evening->rig->pass(1.0) as [, $packet]) {
                if (str_starts_with($packet->bytes, '/timecode')) {
                    $sent[] = Message::decode($packet->bytes)->arguments[0]->value;
                }
            }
            self::assertEqualsWithDelta(25, \count($sent), 1);
            self::assertContains(
                $says === 'seconds' ? round((float) $first[1], 2) : $first[1],
                $says === 'seconds' ? array_map(static fn($one): float => round((float) $one, 2), $sent) : $sent,
            );
        }
    }

    public function testMachineControlStartsStopsAndLocatesItUnlessAPortLeads(): void
    {
        foreach ([true, false] as $isOn) {
            $evening = self::evening(['from' => ['lectern'], ...($isOn ? ['mmc' => true] : [])]);
            $say = static fn(MachineCommand $command, ?StandardTime $to = null): array => $evening->rig->arrive(
                'midi cable lectern',
                (new MachineControl($command, 127, $to))->message()->encode(),
                'lectern',
            );
            $say(MachineCommand::Locate, new StandardTime(1, 0, 7, 0, 0, FrameRate::Ebu));
            $say(MachineCommand::Play);
            $evening->rig->pass(1.0);
            self::assertEqualsWithDelta($isOn ? 8.0 : 0.0, $evening->read('timeline:song'), 0.05);
            $say(MachineCommand::Stop);
            $evening->rig->pass(1.0);
            self::assertEqualsWithDelta($isOn ? 8.0 : 0.0, $evening->read('timeline:song'), 0.05);
        }
    }

    public function testOurOwnGoesOnOverARestart(): void
    {
        $evening = self::evening([]);
        $evening->set('timecode:tape', '01:00:02:00');
        $evening->press('timecode:tape/start');
        $evening->rig->pass(1.0);
        $again = $evening->restarted(4.0);
        $again->rig->pass(0.5);
        self::assertEqualsWithDelta(3607.5, $again->read('timecode:tape/seconds'), 0.05);
        self::assertSame([1, 255], [$again->read('timecode:tape/running'), $again->levels()[0]], 'and so does what follows it');
    }

    /** @param array<string, mixed> $code */
    private static function evening(array $code): Evening
    {
        return new Evening([
            'ports' => [...Rig::document()['ports'], Rig::CABLE],
            'timecodes' => [['id' => 'tape', 'name' => 'Tape', ...$code]],
            'timelines' => [['id' => 'song', 'name' => 'Song', 'length' => 120, 'timecode' => 'tape', 'startsAt' => '01:00:00:00', 'tracks' => [
                ['id' => 't', 'name' => 'T', 'does' => ['kind' => 'triggers', 'triggers' => [
                    ['id' => 'up', 'at' => 5, 'do' => [['kind' => 'set', 'point' => 'fixture:a/level', 'value' => 100]]],
                ]]],
            ]]],
        ]);
    }
}
