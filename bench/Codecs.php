<?php

declare(strict_types=1);

namespace NimbleJunction\Bench;

use NimbleJunction\Bench\Support\Stopwatch;
use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\Packet as ArtNet;
use NimbleJunction\Core\Wire\Midi\ChannelMessage;
use NimbleJunction\Core\Wire\Midi\ShowCommand;
use NimbleJunction\Core\Wire\Midi\ShowControl;
use NimbleJunction\Core\Wire\Midi\StreamParser;
use NimbleJunction\Core\Wire\MidiFile\Division;
use NimbleJunction\Core\Wire\MidiFile\Event;
use NimbleJunction\Core\Wire\MidiFile\File;
use NimbleJunction\Core\Wire\MidiFile\Track;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Core\Wire\Osc\Packet as Osc;
use NimbleJunction\Core\Wire\RtpMidi;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Core\Wire\Sacn\Packet as Sacn;
use Symfony\Component\Process\Process;

/** Encoding and decoding full universes, against general-purpose npm libraries that do the same, in the same run. */
final class Codecs implements Measurement
{
    private const CALLS = 20_000;
    private const AIM = 5.0;

    public function title(): string
    {
        return 'Codecs: against general-purpose npm libraries, named where there is more than one';
    }

    public function run(): iterable
    {
        $process = new Process(['node', __DIR__.'/codecs.cjs'], null, null, null, 120);
        /** @var array<string, float> $theirs */
        $theirs = json_decode($process->mustRun()->getOutput(), true, flags: \JSON_THROW_ON_ERROR);
        foreach ($this->ours() as $what => [$calls, $work]) {
            $nanos = Stopwatch::nanos($work, $calls);
            foreach ($theirs as $name => $their) {
                if ($name === $what || str_starts_with($name, "{$what} (")) {
                    yield Line::atLeast("{$name}: as fast", $their / $nanos, self::AIM, '×');
                }
            }
            yield Line::only("{$what}: a second here", 1e9 / $nanos, '');
        }
    }

    /** @return array<string, array{int, callable(int): mixed}> how often to call it, and what */
    private function ours(): array
    {
        $frames = array_map(
            static fn(int $frame): string => implode(
                '',
                array_map(static fn(int $slot): string => \chr(($slot * 7 + $frame * 13) % 256), range(0, 511)),
            ),
            range(0, 63),
        );
        $cid = (string) hex2bin('0123456789abcdeffedcba9876543210');
        $sacn = array_map(static fn(string $levels): string => (new Data($cid, 1, $levels, 0, 100, 'Bench'))->encode(), $frames);
        $artNet = array_map(static fn(string $levels): string => (new Dmx(1, $levels))->encode(), $frames);

        $note = "\x90\x3c\x64";
        $parser = new StreamParser();
        $osc = array_map(static fn(int $i): string => self::message($i)->encode(), range(0, 63));
        $rtp = (new RtpMidi\Packet(1, 2, 3, [new RtpMidi\Command($note), new RtpMidi\Command("\xB0\x07\x40", 5)]))->encode();
        $show = new ShowControl(ShowCommand::Go, 20, cue: '12.5', list: '1');
        $song = self::song();
        $songBytes = $song->encode();
        $many = self::CALLS;

        return [
            'sACN encode' => [
                $many,
                static fn(int $call) => (new Data($cid, 1, $frames[$call & 63], $call & 255, 100, 'Bench'))->encode(),
            ],
            'sACN decode' => [$many, static fn(int $call) => Sacn::decode($sacn[$call & 63])],
            'Art-Net encode' => [$many, static fn(int $call) => (new Dmx(1, $frames[$call & 63], $call % 255 + 1))->encode()],
            'Art-Net decode' => [$many, static fn(int $call) => ArtNet::decode($artNet[$call & 63])],
            'OSC encode' => [$many, static fn(int $call) => self::message($call)->encode()],
            'OSC decode' => [$many, static fn(int $call) => Osc::decode($osc[$call & 63])],
            'MIDI message make' => [
                $many,
                static fn(int $call) => ChannelMessage::noteOn(($call & 15) + 1, $call & 127, 100)->encode(),
            ],
            'MIDI message read' => [$many, static fn(int $call) => $parser->push($note)],
            'MIDI file read' => [20, static fn() => File::decode($songBytes)],
            'MIDI file write' => [20, static fn() => $song->encode()],
            'Show control encode' => [$many, static fn() => $show->message()->encode()],
            'Show control decode' => [$many, static fn() => ShowControl::decode($show->message())],
            'RTP-MIDI encode' => [
                $many,
                static fn(int $call) => (new RtpMidi\Packet($call & 0xFFFF, $call, 3, [new RtpMidi\Command($note)]))->encode(),
            ],
            'RTP-MIDI decode' => [$many, static fn() => RtpMidi\Packet::decode($rtp)],
        ];
    }

    private static function message(int $call): Message
    {
        return new Message(
            '/palm/lamp/3',
            [Argument::float(($call & 63) / 63), Argument::int($call & 63), Argument::string('lantern')],
        );
    }

    /** Two thousand notes, as the libraries are given them. */
    private static function song(): File
    {
        $events = [Event::tempo(0, 606305)];
        for ($i = 0; $i < 2000; ++$i) {
            $note = \chr(36 + $i % 48);
            array_push(
                $events,
                Event::channel(120, \chr(0x90 | $i & 15).$note."\x64"),
                Event::channel(120, \chr(0x80 | $i & 15).$note."\x40"),
            );
        }

        return new File(0, Division::perQuarter(480), [new Track([...$events, Event::meta(0, Event::END_OF_TRACK)])]);
    }
}
