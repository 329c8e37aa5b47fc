<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\StandIn;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\Packet as ArtNet;
use NimbleJunction\Core\Wire\ArtNet\Poll;
use NimbleJunction\Core\Wire\ArtNet\PollReply;
use NimbleJunction\Core\Wire\Midi\ChannelMessage;
use NimbleJunction\Core\Wire\Midi\FullFrame;
use NimbleJunction\Core\Wire\Midi\MidiMessage;
use NimbleJunction\Core\Wire\Midi\QuarterFrames;
use NimbleJunction\Core\Wire\Midi\RealTime;
use NimbleJunction\Core\Wire\Midi\RelativeEncoding;
use NimbleJunction\Core\Wire\Midi\StreamParser;
use NimbleJunction\Core\Wire\Midi\SystemCommon;
use NimbleJunction\Core\Wire\Midi\SystemExclusive;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Core\Wire\Osc\Packet as Osc;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\StandIn\CueDesk;
use NimbleJunction\StandIn\LecternPanel;
use NimbleJunction\StandIn\Link\Cable;
use NimbleJunction\StandIn\Link\Habits;
use NimbleJunction\StandIn\Link\NetworkMidi;
use NimbleJunction\StandIn\MediaServer;
use NimbleJunction\StandIn\MistLaser;
use NimbleJunction\StandIn\Presentation;
use NimbleJunction\StandIn\SoundWorkstation;
use NimbleJunction\Tests\Support\Looping;
use NimbleJunction\Tests\Support\Rig;
use NimbleJunction\Tests\Support\Udp;
use PHPUnit\Framework\TestCase;

/** The simulated instruments and servers, and their bad habits, with real packets and real cables. */
final class InstrumentsTest extends TestCase
{
    use Looping;

    private const NET = '127.76.1';

    /** @var resource|null */
    private $door;
    private string $path = '';

    protected function tearDown(): void
    {
        if ($this->door !== null) {
            fclose($this->door);
            unlink($this->path);
        }
    }

    public function testAMediaServerShowsItsUniverseTakesOscAndTellsWhatMoved(): void
    {
        $server = new MediaServer('canopy', 'Canopy', self::NET.'.16', 16, self::NET.'.1', 9010, 8010);
        $we = new Udp(self::NET.'.1', 8010);
        $desk = new Udp(self::NET.'.2', 6454);
        $this->playing($server, function () use ($server, $we, $desk): void {
            $desk->send((new Dmx(16, Rig::levels([2 => 255, 8 => 51])))->encode(), self::NET.'.16:6454');
            $this->until(static fn(): bool => $server->state()['layers'][0]['opacity'] === 1.0);
            self::assertSame(0.2, $server->state()['layers'][1]['opacity'], 'six slots a layer');
            $told = $this->decoded(
                $we,
                Osc::decode(...),
                static fn(?array $one): bool => ($one[0]->address ?? '') === '/canopy/layer/1/opacity',
            );
            self::assertSame(1.0, $told[0]->arguments[0]->value ?? null);
            $we->send((new Message('/canopy/layer/3/size', [Argument::float(0.25)]))->encode(), self::NET.'.16:9010');
            $this->until(static fn(): bool => $server->state()['layers'][2]['size'] === 0.25);
            $desk->send((new Dmx(16, Rig::levels([2 => 255, 8 => 51])))->encode(), self::NET.'.16:6454');
            $this->until(static fn(): bool => $server->state()['packets'] === 2);
            self::assertSame(0.25, $server->state()['layers'][2]['size'], 'a level that stands still does not fight with OSC');
            $desk->send((new Poll())->encode(), self::NET.'.16:6454');
            $reply = $this->decoded($desk, ArtNet::decode(...), static fn(mixed $one): bool => $one instanceof PollReply);
            self::assertInstanceOf(PollReply::class, $reply);
            self::assertSame(['Canopy', 16], [$reply->portName, $reply->portAddress($reply->ports[0])->number]);
        });
        $we->close();
        $desk->close();
    }

    public function testAMediaServerWithBadHabits(): void
    {
        $server = new MediaServer('canopy', 'Canopy', self::NET.'.17', 16, self::NET.'.3', 9010, 8010);
        $atItsOwnNumber = new Udp(self::NET.'.3', 9010);
        $desk = new Udp(self::NET.'.4', 6454);
        $server->play('habit', ['habit' => Habits::SWAPPED, 'on' => true]);
        $server->play('habit', ['habit' => Habits::WRONG_UNIVERSE, 'on' => true]);
        $this->playing($server, function () use ($server, $atItsOwnNumber, $desk): void {
            $server->play('layer', ['layer' => 1, 'parameter' => 'clip', 'value' => 0.5]);
            self::assertNotNull(
                $this->decoded(
                    $atItsOwnNumber,
                    Osc::decode(...),
                    static fn(?array $one): bool => ($one[0]->address ?? '') === '/canopy/layer/1/clip',
                ),
            );
            $desk->send((new Dmx(17, Rig::levels([2 => 255])))->encode(), self::NET.'.17:6454');
            $this->until(static fn(): bool => $server->state()['layers'][0]['opacity'] === 1.0);
        });
        $atItsOwnNumber->close();
        $desk->close();
    }

    public function testALaserDrawsOnlyWhenEnabledAndSteered(): void
    {
        $laser = new MistLaser('laser', 'Laser', self::NET.'.18', 12, 5);
        $we = new Udp(self::NET.'.5');
        $this->playing($laser, function () use ($laser, $we): void {
            self::assertFalse($laser->state()['lit']);
            $send = static fn(int $enable, int $sequence) => $we->send(
                (new Data(
                    'us--------------',
                    12,
                    Rig::levels([5 => $enable, 6 => 200, 7 => 99, 12 => 255]),
                    $sequence,
                ))->encode(),
                self::NET.'.18:5568',
            );
            $send(255, 1);
            $this->until(static fn(): bool => $laser->state()['lit']);
            $state = $laser->state();
            self::assertSame(['leaf', 99, 255], [$state['shape'], $state['levels']['size'], $state['levels']['green']]);
            $send(127, 2);
            $this->until(static fn(): bool => ! $laser->state()['lit']);
            self::assertTrue($laser->state()['alive'], 'it hears, but is not enabled');
            $laser->play('habit', ['habit' => Habits::WRONG_UNIVERSE, 'on' => true]);
            self::assertSame('sACN universe 13', $laser->state()['protocol']);
            $send(255, 3);
            $this->turn();
            self::assertFalse($laser->state()['lit'], 'it listens to another universe now');
        });
        $we->close();
    }

    public function testSlidesSendTheirNotesAndSomeTooOften(): void
    {
        $slides = new Presentation('talk', 'Talk', new Cable($this->cable()), ['Welcome', 'Doors', 'Thanks']);
        $this->playing($slides, function () use ($slides): void {
            $end = $this->plugged();
            $slides->play('slide', ['slide' => 2]);
            self::assertSame(['90 31 64', '80 31 40'], $this->heard($end, 2));
            $slides->play('repeats', ['on' => true]);
            $slides->play('slide', ['slide' => 3]);
            self::assertSame(['90 32 64', '90 32 64', '90 32 64', '80 32 40'], $this->heard($end, 4));
            self::assertSame([3, 50, 4], [$slides->state()['slide'], $slides->state()['note'], $slides->state()['sent']]);
            fclose($end);
            $this->until(static fn(): bool => ! $slides->state()['open']);
            $again = $this->plugged();
            $this->until(static fn(): bool => $slides->state()['open']);
            fclose($again);
        });
    }

    public function testALecternMovesItsMotorsButNotAgainstAHand(): void
    {
        $lectern = new LecternPanel('lectern', 'Lectern', new Cable($this->cable()));
        $this->playing($lectern, function () use ($lectern): void {
            $end = $this->plugged();
            $lectern->play('fader', ['fader' => 3, 'level' => 100]);
            $lectern->play('button', ['button' => 1, 'down' => true]);
            $lectern->play('button', ['button' => 1, 'down' => false]);
            $lectern->play('turn', ['encoder' => 2, 'steps' => -1]);
            self::assertSame(['B0 03 64', '90 24 7F', '80 24 40', 'B0 11 7F'], $this->heard($end, 4));
            self::assertSame(
                -1,
                RelativeEncoding::TwosComplement->steps(0x7F),
                'common practice, no source: 127 is one step down',
            );
            $lectern->play('touch', ['fader' => 1]);
            fwrite($end, "\xB0\x01\x40\xB0\x02\x41\x90\x24\x7F");
            $this->until(static fn(): bool => $lectern->state()['lit'][0]);
            self::assertSame([0, 65], \array_slice($lectern->state()['faders'], 0, 2), 'fader 1 is held, fader 2 moves');
            $lectern->play('touch', ['fader' => 0]);
            fwrite($end, "\xB0\x01\x40\x80\x24\x00");
            $this->until(static fn(): bool => $lectern->state()['faders'][0] === 64 && ! $lectern->state()['lit'][0]);
            self::assertSame(2, $lectern->state()['moves']);
            fclose($end);
        });
    }

    public function testACueDeskIsRunByShowControlAndByOsc(): void
    {
        $cues = [
            ['number' => '1', 'name' => 'One'],
            ['number' => '2.5', 'name' => 'Two and a half'],
            ['number' => '3', 'name' => 'Three'],
        ];
        $desk = new CueDesk('desk', 'Desk', self::NET.'.19', 9020, new Cable($this->cable()), 20, $cues);
        $we = new Udp(self::NET.'.6');
        $this->playing($desk, function () use ($desk, $we): void {
            $end = $this->plugged();
            // Worked example from common use: device 20, lighting, GO cue 1 list 1 (RP-002, from memory).
            fwrite($end, hex2bin('f07f14020101310031f7'));
            $this->until(static fn(): bool => $desk->state()['at'] === 0 && $desk->state()['running']);
            // The first is for device 21, not for this one.
            fwrite($end, hex2bin('f07f1502010133f7f07f14020101'.bin2hex('2.5').'f7'));
            $this->until(static fn(): bool => $desk->state()['at'] === 1);
            // STOP for everybody, all of it: device 127, lighting, command 2.
            fwrite($end, hex2bin('f07f7f020102f7'));
            $this->until(static fn(): bool => ! $desk->state()['running']);
            $say = static fn(string $address, int ...$values) => $we->send(
                (new Message($address, array_map(Argument::int(...), $values)))->encode(),
                self::NET.'.19:9020',
            );
            $say('/desk/go', 1);
            $this->until(static fn(): bool => $desk->state()['at'] === 2);
            $say('/desk/go', 0);
            $say('/desk/cue', 1);
            $this->until(static fn(): bool => $desk->state()['at'] === 0);
            $say('/desk/cue', 99);
            $this->until(static fn(): bool => str_ends_with($desk->state()['heard'], 'there is no such cue'));
            $say('/desk/stop', 1);
            $this->until(static fn(): bool => ! $desk->state()['running']);
            fclose($end);
        });
        $we->close();
    }

    public function testLinesThatAreTypedAtACueDeskMakeCuesAndAreAnswered(): void
    {
        $we = new Udp(self::NET.'.6', 8020);
        $desk = new CueDesk(
            'desk',
            'Desk',
            self::NET.'.19',
            9020,
            new Cable($this->cable()),
            20,
            [['number' => '1', 'name' => 'One']],
            self::NET.'.6:8020',
        );
        $this->playing($desk, function () use ($desk, $we): void {
            foreach ([
                'make cue 4.5 called "Doors open"' => 'cue 4.5 made',
                'make cue 2' => 'cue 2 made',
                'go cue 4.5' => 'cue 4.5 runs',
                'go cue 9' => 'there is no cue 9',
                'delete cue 2' => 'cue 2 deleted',
                'delete cue 2 now' => 'this desk does not know: delete cue 2 now',
            ] as $line => $answer) {
                $we->send((new Message('/desk/line', [Argument::of($line)]))->encode(), self::NET.'.19:9020');
                $said = '';
                $this->until(static function () use ($we, &$said): bool {
                    $bytes = $we->receive(0.0);
                    $said = $bytes === null ? $said : (string) Message::decode($bytes)->arguments[0]->value;

                    return $bytes !== null;
                });
                self::assertSame($answer, $said, $line);
            }
            self::assertSame([['number' => '1', 'name' => 'One'], ['number' => '4.5', 'name' => 'Doors open']], $desk->state()['cues']);
        });
        $we->close();
    }

    /** One transport: the clock, the notes and the time code say the same time. */
    public function testAWorkstationPlaysClockNotesAndTimeCodeFromOneTransport(): void
    {
        $sound = new SoundWorkstation('sound', 'Sound', new Cable($this->cable()), new Habits(Habits::LOSS, Habits::JITTER));
        $this->playing($sound, function () use ($sound): void {
            $end = $this->plugged();
            $sound->play('tempo', ['tempo' => 120]);
            $sound->play('locate', ['seconds' => 60]);
            $sound->play('play', []);
            $messages = $this->messages(
                $end,
                static fn(array $all): bool => \count(
                    array_filter($all, static fn(MidiMessage $one): bool => $one === RealTime::TimingClock),
                ) > 60,
            );
            self::assertEquals(
                SystemCommon::songPosition(480),
                $messages[0],
                '60 s at 120 a minute are 120 quarter notes of four sixteenths',
            );
            self::assertInstanceOf(SystemExclusive::class, $messages[1]);
            self::assertSame('00:01:00:00', FullFrame::decode($messages[1])->time->spelled());
            self::assertContains(RealTime::Continue, $messages);
            $notes = array_values(
                array_filter(
                    $messages,
                    static fn(MidiMessage $one): bool => $one instanceof ChannelMessage && $one->beginsNote(),
                ),
            );
            self::assertSame(
                array_slice([36, 37, 38, 39], 0, \count($notes)),
                array_column($notes, 'data1'),
                'beat 120 is the first of its bar',
            );
            $frames = new QuarterFrames();
            $times = [];
            foreach ($messages as $message) {
                if ($message instanceof SystemCommon && $message->status === SystemCommon::QUARTER_FRAME) {
                    $moving = $frames->push($message->value);
                    $moving !== null && $times[] = $moving->stamp->toFrames();
                }
            }
            self::assertGreaterThan(5, \count($times));
            self::assertSame(range($times[0], $times[0] + 2 * (\count($times) - 1), 2), $times, 'a time every two frames');
            self::assertEqualsWithDelta(1500, $times[0], 4, '25 frames a second (SMPTE ST 12-1)');
            $sound->play('stop', []);
            $this->messages($end, static fn(array $all): bool => \in_array(RealTime::Stop, $all, true));
            fclose($end);
        });
    }

    public function testANetworkSessionIsOpenedFromBothSides(): void
    {
        $heard = ['one' => [], 'two' => []];
        $one = new NetworkMidi('One', self::NET.'.21', 5004, self::NET.'.22', 5004);
        $two = new NetworkMidi('Two', self::NET.'.22', 5004, self::NET.'.21', 5004);
        $one->start(static function (MidiMessage $message) use (&$heard): void {
            $heard['one'][] = bin2hex($message->encode());
        });
        $two->start(static function (MidiMessage $message) use (&$heard): void {
            $heard['two'][] = bin2hex($message->encode());
        });
        try {
            $this->until(static fn(): bool => $one->isOpen() || $two->isOpen());
            $this->until(static function () use ($one, &$heard): bool {
                $one->send("\x90\x30\x64");

                return \in_array('903064', $heard['two'], true);
            }, 6.0);
        } finally {
            $one->stop();
            $two->stop();
        }
    }

    /** @return string where the engine's end of a cable is; this test plays the engine */
    private function cable(): string
    {
        $this->path = sys_get_temp_dir().'/junction-cable-'.getmypid().'.midi';
        @unlink($this->path);
        $this->door = stream_socket_server("unix://{$this->path}");
        stream_set_blocking($this->door, false);

        return $this->path;
    }

    /** @return resource the engine's end, once the other end is plugged in */
    private function plugged()
    {
        $end = null;
        $this->until(function () use (&$end): bool {
            return ($end = @stream_socket_accept($this->door, 0)) !== false;
        }, 3.0);
        stream_set_blocking($end, false);

        return $end;
    }

    /**
     * @param resource $end
     *
     * @return list<string> the next channel messages, as spaced hexadecimal digits
     */
    private function heard($end, int $count): array
    {
        $messages = $this->messages($end, static fn(array $all): bool => \count($all) >= $count);

        return array_map(
            static fn(MidiMessage $one): string => strtoupper(trim(chunk_split(bin2hex($one->encode()), 2, ' '))),
            $messages,
        );
    }

    /**
     * @param resource $end
     * @param callable(list<MidiMessage>): bool $enough
     *
     * @return list<MidiMessage>
     */
    private function messages($end, callable $enough): array
    {
        $parser = new StreamParser();
        $all = [];
        $this->until(static function () use ($end, $parser, $enough, &$all): bool {
            foreach ($parser->push((string) fread($end, 4096)) as $one) {
                $all[] = $one->what;
            }

            return $enough($all);
        }, 4.0);

        return $all;
    }
}
