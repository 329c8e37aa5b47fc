<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

use NimbleJunction\Core\Wire\ArtNet;
use NimbleJunction\Core\Wire\Capture;
use NimbleJunction\Core\Wire\MidiFile;
use NimbleJunction\Core\Wire\Osc;
use NimbleJunction\Core\Wire\RtpMidi;
use NimbleJunction\Core\Wire\Sacn;

/** Canonical packets of every format: what round trips begin with, and what fuzzing mutates. */
final class Samples
{
    /** @return array<string, list<string>> bytes by format */
    public static function all(): array
    {
        return [
            'artnet' => self::artNet(),
            'sacn' => self::sacn(),
            'osc' => self::osc(),
            'midi' => array_map(self::hex(...), [
                '903c64',
                '803c40',
                'a03c05',
                'b00740',
                'c005',
                'd04d',
                'e00140',
                'f104',
                'f26807',
                'f309',
                'f6',
                'f8fafbfcfeff',
                '903c64b00740f8e00040',
                'f07f14020101310031f7',
                'f07f7f020104210203043235f7',
                'f07f7f02010601027f00f7',
                'f07f7f0201072af7',
                'f07f7f02101b34f7',
                'f07f7f0602f7',
                'f07f7f064406016102030405f7', 'f07f7f0101573b3b1df7', 'f07e7f0601f7', 'f000213b0102f7', 'f0f7',
            ]),
            'rtpmidi' => self::rtpMidi(),
            'applemidi' => self::sessions(),
            'dmx' => ["\0\1\2\3", "\0".str_repeat("\x80", 512), "\x17Hello", "\xDD\x64"],
            'smf' => self::midiFiles(),
            'pcap' => [
                Capture\Pcap::write([]),
                Capture\Pcap::write([
                    new Capture\Datagram(1_700_000_000_123_456_789, '127.0.0.11', 6454, '127.0.0.1', 6454, self::artNet()[0]),
                    new Capture\Datagram(1_700_000_001_000_000_000, '127.0.0.12', 5568, '127.0.0.1', 5568, ''),
                ]),
            ],
        ];
    }

    /** @return list<string> */
    private static function artNet(): array
    {
        $ports = [ArtNet\NodePort::output(3), ArtNet\NodePort::input(4)];

        return array_map(static fn(object $packet): string => $packet->encode(), [
            new ArtNet\Dmx(0x1234, str_repeat("\1\2", 32), 5, 1),
            new ArtNet\Nzs(7, 0x17, 'Hello', 3),
            new ArtNet\Poll(0x26, 0x10, 99, 5, 0x4A4E, 0x1234),
            new ArtNet\PollReply('127.0.0.9', 'Palm node', 'Palm House node', $ports, 1, 2, 1, '#0001 [0042] fine'),
            new ArtNet\Sync(),
            new ArtNet\TimeCode(1, 2, 3, 4, 1, 2),
            new ArtNet\Trigger(1, 42),
            new ArtNet\Command('SwoutText=Palm&'),
            new ArtNet\Address(ArtNet\AddressCommand::CancelMerge, 'Palm', 'Palm House'),
            new ArtNet\Input([true, false, true]),
            new ArtNet\IpProg(0x84, '127.0.0.9', '255.0.0.0', 6454, '127.0.0.1'),
        ]);
    }

    /** @return list<string> */
    private static function sacn(): array
    {
        $cid = 'CID-of-a-source.';

        return array_map(static fn(object $packet): string => $packet->encode(), [
            new Sacn\Data($cid, 63999, str_repeat("\1\2", 32), 5, 150, 'Guest desk', Sacn\Data::PREVIEW, 7),
            new Sacn\Data($cid, 1, '', 0, 0, '', 0, 0, Sacn\Data::PER_SLOT_PRIORITY),
            new Sacn\Synchronization($cid, 7962, 200),
            new Sacn\Discovery($cid, 'Guest desk', [1, 7, 300, 63999], 0, 1),
        ]);
    }

    /** @return list<string> */
    private static function osc(): array
    {
        $all = new Osc\Message('/all', [
            Osc\Argument::int(-7),
            Osc\Argument::float(0.5),
            Osc\Argument::string('doors'),
            Osc\Argument::tagged('b', "\1\2\3"),
            Osc\Argument::tagged('h', -9007199254740993),
            Osc\Argument::tagged('t', new Osc\TimeTag(3908988800, 5)),
            Osc\Argument::tagged('d', 0.1),
            Osc\Argument::tagged('S', 'symbol'),
            Osc\Argument::tagged('c', 65),
            Osc\Argument::tagged('r', "\1\2\3\0"),
            Osc\Argument::tagged('m', "\0\x90\x3c\x64"),
            Osc\Argument::tagged('T', true),
            Osc\Argument::tagged('F', false),
            Osc\Argument::tagged('N', null),
            Osc\Argument::tagged('I', null),
            Osc\Argument::tagged('f', \INF),
            Osc\Argument::tagged('d', -\INF),
            Osc\Argument::tagged('[', [Osc\Argument::int(1), Osc\Argument::tagged('[', []), Osc\Argument::string('')]),
        ]);
        $lamp = new Osc\Message('/palm/lamp', [Osc\Argument::float(0.25)]);

        return [
            $all->encode(),
            $lamp->encode(),
            (new Osc\Message('/go'))->encode(),
            (new Osc\Bundle(
                Osc\TimeTag::immediately(),
                [$lamp, new Osc\Bundle(new Osc\TimeTag(9, 9), [$all]), new Osc\Bundle(Osc\TimeTag::immediately(), [])],
            ))->encode(),
        ];
    }

    /** @return list<string> */
    private static function rtpMidi(): array
    {
        $journal = new RtpMidi\Journal(true, false, 513, "\x40\x03\x05", [
            new RtpMidi\ChannelJournal(
                false,
                5,
                false,
                ['P' => "\x0a\x80\x01", 'C' => "\x01\x07\x64\x0a\x40", 'N' => "\x01\x77\x3c\xe4\x80", 'T' => "\x45"],
            ),
            new RtpMidi\ChannelJournal(
                true,
                16,
                true,
                ['W' => "\x10\x20", 'E' => "\0\x3c\x01", 'A' => "\0\x3c\x01", 'M' => "\x04\x02"],
            ),
        ]);
        $note = new RtpMidi\Command("\x90\x3c\x64");

        return array_map(static fn(RtpMidi\Packet $packet): string => $packet->encode(), [
            new RtpMidi\Packet(1, 2, 3, [$note]),
            new RtpMidi\Packet(
                65535,
                4_000_000_000,
                0xDEADBEEF,
                [
                    new RtpMidi\Command("\xB0\x07\x40", 300),
                    new RtpMidi\Command("\xF8"),
                    new RtpMidi\Command("\xF0\x7f\x7f\x02\x01\x01\x31\xF7", 2_000_000),
                ],
            ),
            new RtpMidi\Packet(5, 5, 5, [$note], $journal, true),
            new RtpMidi\Packet(6, 6, 6, [], $journal, marker: false),
            new RtpMidi\Packet(7, 7, 7, [new RtpMidi\Command("\xF0\x01\xF0"), new RtpMidi\Command("\xF7\x02\xF7")]),
        ]);
    }

    /** @return list<string> */
    private static function sessions(): array
    {
        return array_map(static fn(RtpMidi\SessionPacket $packet): string => $packet->encode(), [
            new RtpMidi\SessionPacket(RtpMidi\SessionCommand::Invitation, 1, 2, 'Lectern'),
            new RtpMidi\SessionPacket(RtpMidi\SessionCommand::Accepted, 5, 6, 'Fernhall'),
            new RtpMidi\SessionPacket(RtpMidi\SessionCommand::Rejected, 5, 6),
            new RtpMidi\SessionPacket(RtpMidi\SessionCommand::End, 5, 6),
            new RtpMidi\SessionPacket(RtpMidi\SessionCommand::Clock, 7, count: 1, times: [100000, -1, 0]),
            new RtpMidi\SessionPacket(RtpMidi\SessionCommand::Feedback, 8, value: 300 << 16),
            new RtpMidi\SessionPacket(RtpMidi\SessionCommand::BitrateLimit, 8, value: 57600),
        ]);
    }

    /** @return list<string> */
    private static function midiFiles(): array
    {
        $track = new MidiFile\Track([
            MidiFile\Event::meta(0, MidiFile\Event::TRACK_NAME, 'Night Walk'),
            MidiFile\Event::tempo(0, 606305),
            MidiFile\Event::meta(0, MidiFile\Event::TIME_SIGNATURE, "\4\2\x18\x08"),
            MidiFile\Event::meta(0, 0x7F, "\xFF\xFE"),
            MidiFile\Event::channel(0, "\x90\x3c\x64"),
            MidiFile\Event::channel(240, "\x90\x3c\x00"),
            MidiFile\Event::channel(0, "\xC0\x05"),
            MidiFile\Event::exclusive(20000, "\x7f\x7f\x02\xF7"),
            MidiFile\Event::escape(0, "\xF8"),
            MidiFile\Event::meta(96, MidiFile\Event::END_OF_TRACK),
        ]);

        return [
            (new MidiFile\File(0, MidiFile\Division::perQuarter(480), [$track]))->encode(),
            (new MidiFile\File(
                1,
                MidiFile\Division::perFrame(25, 40),
                [$track, new MidiFile\Track([MidiFile\Event::meta(0, MidiFile\Event::END_OF_TRACK)])],
            ))->encode(),
        ];
    }

    private static function hex(string $hex): string
    {
        return (string) hex2bin($hex);
    }
}
