<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Programme;

use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Lists driven by show control: bytes by MIDI Show Control 1.1 (RP-002/RP-014), written by hand from memory of its tables. */
final class ShowControlTest extends TestCase
{
    private const HEAD = 'f07f';
    private const MSC = '02';
    private const LIGHTING = '01';

    public function testItDrivesAListByItsNumbers(): void
    {
        $evening = self::evening();
        $go = static fn(string $cue, string $list = ''): string => '01'.bin2hex($cue).($list === '' ? '' : '00'.bin2hex($list));
        foreach ([
            ['go to 2', $go('2'), 2.0],
            ['go: the next one', '01', 2.5],
            ['go in another list', $go('1', '9'), 2.5],
            ['go in this list', $go('1', '7'), 1.0],
            ['load 2.5', '05'.bin2hex('2.5'), 1.0],
            ['go: what is loaded', '01', 2.5],
            ['a cue that is not there', $go('44'), 2.5],
            ['fire another list', '0706', 2.5],
            ['fire this list: its next', '0707', 3.0],
            ['go off', '0b', null],
            ['go', '01', 1.0],
            ['reset', '0a', null],
        ] as [$what, $command, $cue]) {
            $this->send($evening, $command);
            self::assertSame($cue, $evening->read('list:walk'), $what);
        }
    }

    /** Cue, list and path are texts with a zero between them; a path that is another one is not ours. */
    public function testAPathIsObeyedWhereTheListHasOne(): void
    {
        foreach (['' => 2.0, '5' => 2.0, '6' => null] as $path => $cue) {
            $evening = self::evening([], (string) $path === '' ? [] : ['mscPath' => (string) $path]);
            $this->send($evening, '01'.bin2hex('2').'00'.bin2hex('7').'00'.bin2hex('5'));
            self::assertSame($cue, $evening->read('list:walk'), "path {$path}");
        }
    }

    public function testStopResumeAndAJumpAfterAStopLandsRight(): void
    {
        $evening = self::evening();
        $this->send($evening, '01'.bin2hex('3'));
        $evening->rig->pass(1.0);
        $this->send($evening, '02');
        $half = $evening->levels()[0];
        $evening->rig->pass(5.0);
        self::assertSame([$half, 0], [$evening->levels()[0], $evening->read('list:walk/running')]);
        $this->send($evening, '03');
        $evening->rig->pass(1.1);
        self::assertSame(255, $evening->levels()[0]);
        $this->send($evening, '02');
        $this->send($evening, '01'.bin2hex('1'));
        $evening->rig->pass(0.1);
        self::assertSame([1.0, 1, 26], [$evening->read('list:walk'), $evening->read('list:walk/running'), $evening->levels()[0]]);
    }

    public function testATimedGoTakesTheTimeThatIsGiven(): void
    {
        $evening = self::evening();
        // 25 frames a second (rate 1 in bits 5 and 6 of the hours): 0 h 0 min 4 s.
        $this->send($evening, '04'.'2000040000'.bin2hex('3'));
        $evening->rig->pass(2.0);
        self::assertEqualsWithDelta(128, $evening->levels()[0], 2);
        $evening->rig->pass(2.1);
        self::assertSame(255, $evening->levels()[0]);
    }

    public function testAllOffRestoreAndControls(): void
    {
        $evening = self::evening();
        $evening->rig->artNet([1 => 200, 2 => 100]);
        $this->send($evening, '08');
        self::assertSame([0, 0, 1], [$evening->levels()[0], $evening->levels()[1], $evening->read('master:blackout')]);
        $this->send($evening, '09');
        self::assertSame(200, $evening->levels()[0]);
        // Control 510 is the grand master, 0 the first of the others; 14 bits, the lower seven first.
        $this->send($evening, '06'.'7e03'.'0040');
        self::assertEqualsWithDelta(50.0, $evening->read('master:grand'), 0.01);
        $this->send($evening, '06'.'0000'.'0000');
        self::assertSame([0.0, 0], [$evening->read('master:lamp'), $evening->levels()[0]]);
        $this->send($evening, '06'.'2a00'.'0000');
        self::assertStringContainsString(
            'no master has control 42: the grand master is 510, the others are 0 to 0',
            implode("\n", $evening->rig->allHops()),
        );
    }

    public function testItObeysItsDeviceAndItsGroupAndEverybodyAndNoOther(): void
    {
        foreach (['05' => 1.0, '70' => 1.0, '7f' => 1.0, '06' => null] as $device => $cue) {
            $evening = self::evening();
            $this->send($evening, '01', (string) $device);
            self::assertSame($cue, $evening->read('list:walk'), "device {$device}");
        }
        $evening = self::evening();
        $evening->rig->arrive('midi cable lectern', (string) hex2bin(self::HEAD.'05'.self::MSC.'10'.'01'.'f7'), 'cable lectern');
        self::assertNull($evening->read('list:walk'), 'a sound command is none for lighting');
    }

    /** A full frame of MIDI time code is F0 7F device 01 01 hour minute second frame F7, 25 frames a second by 20h in the hour (MIDI 1.0 detailed specification, MTC; from memory). */
    public function testACueFollowsAtATimeCodeAsLongAsItsListIsThereAndRuns(): void
    {
        $evening = self::evening(['follow' => ['kind' => 'timecode', 'port' => 'lectern', 'at' => '01:00:10:00']]);
        $stands = static function (string $time) use ($evening): mixed {
            $evening->rig->arrive('midi cable lectern', (string) hex2bin("f07f7f0101{$time}f7"), 'cable lectern');

            return $evening->read('list:walk');
        };
        self::assertNull($stands('21000a00'), 'it is in no cue');
        $evening->press('list:walk/go');
        self::assertSame(1.0, $stands('21000900'));
        $evening->press('list:walk/pause');
        self::assertSame(1.0, $stands('21000a00'), 'it stands');
        $evening->press('list:walk/resume');
        self::assertSame(1.0, $stands('21000900'));
        self::assertSame(1, $evening->read('list:walk/follows'));
        self::assertSame(2.0, $stands('21000a00'));
        self::assertSame([2.0, 0], [$stands('21000a00'), $evening->read('list:walk/follows')], 'no other cue follows there');
        $evening->set('list:walk/cue', 1);
        $again = $evening->restarted();
        self::assertSame(1, $again->read('list:walk/follows'));
        $evening->press('list:walk/stop');
        $evening->press('list:walk/resume');
        $stands('21000900');
        self::assertSame(
            [1.0, 0],
            [$stands('21000a00'), $evening->read('list:walk/follows')],
            'it was stopped: nothing follows by itself any more',
        );
        self::assertNotSame('', $evening->set('list:walk/follows', 1));
        $faults = self::refusal(['follow' => ['kind' => 'timecode', 'port' => 'nowhere', 'at' => '25:00:00:00']]);
        self::assertStringContainsString('/lists/0/cues/0/follow/at', $faults);
        self::assertStringContainsString(
            'there is no port "nowhere"',
            self::refusal(['follow' => ['kind' => 'timecode', 'port' => 'nowhere', 'at' => '01:00:00:00']]),
        );
    }

    /** @param array<string, mixed> $first of the first cue */
    private static function refusal(array $first): string
    {
        try {
            self::evening($first);
        } catch (ShowRefused $refused) {
            return $refused->getMessage();
        }

        return '';
    }

    private function send(Evening $evening, string $command, string $device = '05'): void
    {
        $device = str_pad($device, 2, '0', STR_PAD_LEFT);
        $evening->rig->arrive(
            'midi cable lectern',
            (string) hex2bin(self::HEAD.$device.self::MSC.self::LIGHTING.$command.'f7'),
            'cable lectern',
        );
    }

    /**
     * @param array<string, mixed> $first of the first cue
     * @param array<string, mixed> $list
     */
    private static function evening(array $first = [], array $list = []): Evening
    {
        $cue = static fn(string $number, int $level, float $up = 0): array => [
            'number' => $number,
            'up' => $up,
            'values' => Evening::values(['fixture:a/level' => $level]),
        ];

        return new Evening([
            'ports' => [...Rig::document()['ports'], Rig::CABLE],
            'lists' => [['id' => 'walk', 'name' => 'Walk', 'number' => '7', 'mscPort' => 'lectern', 'mscDevice' => 5, 'mscFormat' => 'lighting', ...$list, 'cues' => [
                $cue('1', 10) + $first, $cue('2', 20), $cue('2.5', 25), $cue('3', 100, 2),
            ]]],
            'masters' => [['id' => 'grand', 'name' => 'Grand master'], ['id' => 'lamp', 'name' => 'Lamp', 'over' => 'fixtures', 'fixtures' => ['a']]],
        ]);
    }
}
