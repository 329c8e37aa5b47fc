<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Oracle;

use NimbleJunction\Core\Wire\FrameRate;
use NimbleJunction\Core\Wire\Midi\ChannelMessage;
use NimbleJunction\Core\Wire\Midi\FullFrame;
use NimbleJunction\Core\Wire\Midi\MachineCommand;
use NimbleJunction\Core\Wire\Midi\MachineControl;
use NimbleJunction\Core\Wire\Midi\ShowCommand;
use NimbleJunction\Core\Wire\Midi\ShowControl;
use NimbleJunction\Core\Wire\Midi\StreamParser;
use NimbleJunction\Core\Wire\Midi\SystemCommon;
use NimbleJunction\Core\Wire\RtpMidi\ChannelJournal;
use NimbleJunction\Core\Wire\RtpMidi\Command;
use NimbleJunction\Core\Wire\RtpMidi\Journal;
use NimbleJunction\Core\Wire\RtpMidi\Packet;
use NimbleJunction\Core\Wire\RtpMidi\SessionCommand;
use NimbleJunction\Core\Wire\RtpMidi\SessionPacket;
use NimbleJunction\Core\Wire\TimeCode;
use NimbleJunction\Tests\Support\NodeOracle;
use NimbleJunction\Tests\Support\Tshark;
use PHPUnit\Framework\TestCase;

/** Our network MIDI, and the MIDI inside it, against tshark (RFC 4695/6295) and the npm library jzz. */
final class RtpMidiOracleTest extends TestCase
{
    private const OPTIONS = ['-d', 'udp.port==5004,rtp', '-d', 'rtp.pt==97,rtpmidi'];

    public function testTsharkReadsOurHeaderAndChannelMessages(): void
    {
        $packet = new Packet(65535, 4_000_000_000, 0xDEADBEEF, [
            new Command(ChannelMessage::noteOn(1, 60, 100)->encode(), 7),
            new Command(ChannelMessage::controlChange(16, 7, 127)->encode(), 200),
            new Command(ChannelMessage::pitchBend(3, 8192)->encode(), 0),
            new Command(SystemCommon::songPosition(1000)->encode(), 20000),
        ]);
        $read = self::tshark(
            $packet,
            [
                'rtp.seq',
                'rtp.timestamp',
                'rtp.ssrc',
                'rtp.marker',
                'rtpmidi.z_flag',
                'rtpmidi.j_flag',
                'rtpmidi.b_flag',
                'rtpmidi.cmd_length_long',
                'rtpmidi.note',
                'rtpmidi.velocity',
                'rtpmidi.channel',
                'rtpmidi.controller_value',
                'rtpmidi.pitch_bend',
                'rtpmidi.song_position_pointer',
                'rtpmidi.deltatime_1',
                'rtpmidi.deltatime_2',
                'rtpmidi.deltatime_3',
            ],
        );
        self::assertSame(['65535', '4000000000', '0xdeadbeef'], [$read['rtp.seq'], $read['rtp.timestamp'], $read['rtp.ssrc']]);
        self::assertSame(
            [1, 0, 1],
            array_map(static fn(string $flag): int => self::flag($read["rtpmidi.{$flag}"]), ['z_flag', 'j_flag', 'b_flag']),
        );
        self::assertSame('19', $read['rtpmidi.cmd_length_long']);
        self::assertSame(['60', '100'], [$read['rtpmidi.note'], $read['rtpmidi.velocity']]);
        self::assertSame([0, 15, 2], self::numbers($read['rtpmidi.channel']));
        self::assertSame(['127'], [$read['rtpmidi.controller_value']]);
        self::assertSame(
            1000 >> 7 | (1000 & 127) << 8,
            self::numbers($read['rtpmidi.song_position_pointer'])[0],
            'shown as its two bytes',
        );
        self::assertSame([7, 0], self::numbers($read['rtpmidi.deltatime_1']));
        self::assertSame(200 & 127, self::numbers($read['rtpmidi.deltatime_2'])[0], 'its field shows the low seven bits');
    }

    public function testTsharkReadsShowControlMachineControlAndTimeCode(): void
    {
        $show = new ShowControl(ShowCommand::Go, 20, cue: '1', list: '1');
        self::assertSame(
            'f07f14020101310031f7',
            bin2hex($show->message()->encode()),
            'common use: device 20, lighting, GO cue 1 list 1',
        );
        $packet = new Packet(1, 1, 1, [
            new Command($show->message()->encode()),
            new Command((new MachineControl(MachineCommand::Play, 5))->message()->encode(), 1),
            new Command((new FullFrame(TimeCode::of(FrameRate::Ebu, 23, 58, 57, 24)))->message()->encode(), 1),
        ]);
        $read = self::tshark(
            $packet,
            [
                'rtpmidi.sysex_common_device_id',
                'rtpmidi.sysex_common_realtime',
                'rtpmidi.sysex_common_realtime_sc',
                'rtpmidi.sysex_common_realtime_mmc_cmds',
                'rtpmidi.sysex_common_rt_mtc_fm_type',
                'rtpmidi.sysex_common_rt_mtc_fm_hour',
                'rtpmidi.sysex_common_rt_mtc_fm_minute',
                'rtpmidi.sysex_common_rt_mtc_fm_second',
                'rtpmidi.sysex_common_rt_mtc_fm_frame',
            ],
        );
        self::assertSame([20, 5, 127], self::numbers($read['rtpmidi.sysex_common_device_id']));
        self::assertSame([2, 6, 1], self::numbers($read['rtpmidi.sysex_common_realtime']));
        self::assertSame([1], self::numbers($read['rtpmidi.sysex_common_realtime_sc']));
        self::assertSame([2], self::numbers($read['rtpmidi.sysex_common_realtime_mmc_cmds']));
        self::assertSame(
            [1, 23, 58, 57, 24],
            array_map(
                static fn(string $name): int => self::numbers($read["rtpmidi.sysex_common_rt_mtc_fm_{$name}"])[0],
                ['type', 'hour', 'minute', 'second', 'frame'],
            ),
        );
    }

    public function testTsharkReadsOurRecoveryJournal(): void
    {
        $journal = new Journal(true, false, 513, channels: [
            new ChannelJournal(
                false,
                5,
                false,
                ['P' => "\x0a\x80\x01", 'C' => "\x01\x07\x64\x0a\x40", 'N' => "\x01\x77\x3c\xe4\x80", 'T' => "\x45"],
            ),
        ]);
        $packet = new Packet(600, 1, 1, [new Command("\x90\x3c\x64")], $journal);
        $read = self::tshark(
            $packet,
            [
                'rtpmidi.j_flag',
                'rtpmidi.s_flag',
                'rtpmidi.a_flag',
                'rtpmidi.y_flag',
                'rtpmidi.check_Seq_num',
                'rtpmidi.chanjour_channel',
                'rtpmidi.cmd_chanjour_len',
                'rtpmidi.cj_chapter_p_program',
                'rtpmidi.cj_chapter_c_number',
                'rtpmidi.cj_chapter_c_value',
                'rtpmidi.cj_chapter_n_log_note',
                'rtpmidi.cj_chapter_n_log_velocity',
                'rtpmidi.cj_chapter_t_pressure',
            ],
        );
        self::assertSame(
            [1, 1, 1, 0],
            array_map(static fn(string $flag): int => self::flag($read["rtpmidi.{$flag}"]), ['j_flag', 's_flag', 'a_flag', 'y_flag']),
        );
        self::assertSame(
            [513, 4, 17],
            [
                self::numbers($read['rtpmidi.check_Seq_num'])[0],
                self::numbers($read['rtpmidi.chanjour_channel'])[0],
                self::numbers($read['rtpmidi.cmd_chanjour_len'])[0],
            ],
        );
        self::assertSame([10], self::numbers($read['rtpmidi.cj_chapter_p_program']));
        self::assertSame(
            [[7, 10], [100, 64]],
            [self::numbers($read['rtpmidi.cj_chapter_c_number']), self::numbers($read['rtpmidi.cj_chapter_c_value'])],
        );
        self::assertSame(
            [60, 100],
            [
                self::numbers($read['rtpmidi.cj_chapter_n_log_note'])[0],
                self::numbers($read['rtpmidi.cj_chapter_n_log_velocity'])[0],
            ],
        );
        self::assertSame([69], self::numbers($read['rtpmidi.cj_chapter_t_pressure']));
        $again = Packet::decode($packet->encode());
        self::assertEquals($journal, $again->journal);
        self::assertSame(['on' => [60 => 100], 'off' => [56]], $again->journal?->channels[0]->notes());
    }

    public function testTsharkReadsEverySessionPacket(): void
    {
        $packets = [
            new SessionPacket(SessionCommand::Invitation, 0x01020304, 0xAABBCCDD, 'Lectern'),
            new SessionPacket(SessionCommand::Accepted, 5, 6, 'Fernhall'),
            new SessionPacket(SessionCommand::Rejected, 5, 6),
            new SessionPacket(SessionCommand::End, 5, 6),
            new SessionPacket(SessionCommand::Clock, 7, count: 2, times: [100000, 200001, 100004]),
            new SessionPacket(SessionCommand::Feedback, 8, value: 300 << 16),
            new SessionPacket(SessionCommand::BitrateLimit, 8, value: 57600),
        ];
        $fields = [
            'command',
            'protocol_version',
            'initiator_token',
            'sender_ssrc',
            'name',
            'count',
            'timestamp1',
            'timestamp2',
            'timestamp3',
            'sequence_number',
            'bitrate_limit',
        ];
        $read = Tshark::fields(
            array_map(static fn(SessionPacket $one): string => $one->encode(), $packets),
            5004,
            [...array_map(static fn(string $name): string => "applemidi.{$name}", $fields), '_ws.malformed'],
        );
        self::assertSame(
            ['0x494e', '0x4f4b', '0x4e4f', '0x4259', '0x434b', '0x5253', '0x524c'],
            array_column($read, 'applemidi.command'),
        );
        self::assertSame(['2', 'Lectern'], [$read[0]['applemidi.protocol_version'], $read[0]['applemidi.name']]);
        self::assertSame(
            [0xAABBCCDD, 0x01020304],
            [self::numbers($read[0]['applemidi.initiator_token'])[0], self::numbers($read[0]['applemidi.sender_ssrc'])[0]],
        );
        self::assertSame('Fernhall', $read[1]['applemidi.name']);
        self::assertSame(
            [2, 100000, 200001, 100004],
            array_map(
                static fn(string $name): int => self::numbers($read[4]["applemidi.{$name}"])[0],
                ['count', 'timestamp1', 'timestamp2', 'timestamp3'],
            ),
        );
        self::assertSame(300 << 16, self::numbers($read[5]['applemidi.sequence_number'])[0]);
        self::assertSame(57600, self::numbers($read[6]['applemidi.bitrate_limit'])[0]);
        self::assertSame(array_fill(0, 7, ''), array_column($read, '_ws.malformed'));
        foreach ($packets as $packet) {
            self::assertEquals($packet, SessionPacket::decode($packet->encode()));
        }
    }

    public function testWeReadWhatJzzMakesAndItReadsOurs(): void
    {
        [$made, $said] = NodeOracle::ask([
            [
                'ask' => 'jzz make',
                'messages' => [
                    ['noteOn', 3, 60, 99],
                    ['noteOff', 3, 60, 12],
                    ['aftertouch', 0, 61, 5],
                    ['control', 15, 10, 64],
                    ['program', 1, 42],
                    ['pressure', 2, 77],
                    ['pitchBend', 0, 8193],
                    ['songPosition', 1001],
                    ['songSelect', 9],
                    ['clock'],
                    ['start'],
                    ['continue'],
                    ['stop'],
                    ['active'],
                    ['tune'],
                ],
            ],
            [
                'ask' => 'jzz say',
                'messages' => [
                    bin2hex(ChannelMessage::noteOn(4, 60, 99)->encode()),
                    bin2hex(ChannelMessage::pitchBend(1, 8193)->encode()),
                    bin2hex((new FullFrame(TimeCode::of(FrameRate::Smpte, 1, 2, 3, 4)))->message()->encode()),
                ],
            ],
        ]);
        $parser = new StreamParser();
        foreach ($made['bytes'] as $hex) {
            $heard = $parser->push((string) hex2bin($hex));
            self::assertCount(1, $heard, $hex);
            self::assertSame($hex, bin2hex($heard[0]->what->encode()));
        }
        self::assertStringContainsString('Note On', $said['words'][0]);
        self::assertStringContainsString('Pitch', $said['words'][1]);
        self::assertStringContainsString('f0 7f 7f 01 01 61 02 03 04 f7', strtolower($said['words'][2]));
    }

    /**
     * @param list<string> $fields
     *
     * @return array<string, string>
     */
    private static function tshark(Packet $packet, array $fields): array
    {
        $read = Tshark::fields([$packet->encode()], 5004, [...$fields, '_ws.malformed'], self::OPTIONS)[0];
        self::assertSame('', $read['_ws.malformed']);

        return $read;
    }

    /** @return list<int> decimal or hexadecimal, with commas between */
    private static function numbers(string $field): array
    {
        return array_map(static fn(string $one): int => \intval($one, 0), explode(',', $field));
    }

    private static function flag(string $field): int
    {
        return \in_array($field, ['1', 'True'], true) ? 1 : 0;
    }
}
