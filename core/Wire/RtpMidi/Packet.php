<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\RtpMidi;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\OutOfRange;

/**
 * An RTP packet that carries MIDI.
 *
 *    0 V=2, P, X, CC       12 B J Z P and LEN, four bits, or twelve when B is set
 *    1 M, payload type        the MIDI list, LEN bytes
 *    2 sequence number        the recovery journal, when J is set
 *    4 timestamp
 *    8 SSRC
 *
 * Source: RFC 3550, 5.1, and RFC 6295, 3.
 */
final readonly class Packet
{
    public const PAYLOAD_TYPE = 97;
    private const CLAUSE = 'RFC 6295, 3';

    /**
     * @param int $sequence 0 to 65535
     * @param int $timestamp of the first command, 32 bits
     * @param int $ssrc 32 bits: the sender in this session
     * @param list<Command> $commands
     * @param bool $phantom the first status byte was not there in the stream that was sent on (P)
     */
    public function __construct(
        public int $sequence,
        public int $timestamp,
        public int $ssrc,
        public array $commands,
        public ?Journal $journal = null,
        public bool $phantom = false,
        public int $payloadType = self::PAYLOAD_TYPE,
        public bool $marker = true,
    ) {
    }

    /** @throws Malformed */
    public static function decode(string $bytes): self
    {
        [$at, $end] = self::payload($bytes);
        [$flags, $length, $list] = self::section($bytes, $at, $end);
        $entries = MidiList::read($bytes, $list, $list + $length, ($flags & 0x20) !== 0);
        $journal = null;
        if (($flags & 0x40) !== 0) {
            $journal = Journal::read(substr($bytes, 0, $end), $list + $length);
        } elseif ($list + $length !== $end) {
            throw Malformed::at(
                $list + $length,
                ($end - $list - $length).' bytes are left over behind the MIDI list',
                self::CLAUSE,
            );
        }

        return new self(
            \ord($bytes[2]) << 8 | \ord($bytes[3]),
            (int) hexdec(bin2hex(substr($bytes, 4, 4))),
            (int) hexdec(bin2hex(substr($bytes, 8, 4))),
            array_column($entries, 0),
            $journal,
            ($flags & 0x10) !== 0,
            \ord($bytes[1]) & 0x7F,
            (\ord($bytes[1]) & 0x80) !== 0,
        );
    }

    public function encode(): string
    {
        $list = MidiList::write($this->commands);
        $length = OutOfRange::check('Length of the MIDI list', \strlen($list), 0, 4095);
        $flags = ($this->journal === null ? 0 : 0x40) | (($this->commands[0]->delta ?? 0) > 0
            ? 0x20
            : 0) | ($this->phantom ? 0x10 : 0);
        $section = $length < 16 ? \chr($flags | $length) : pack('n', ($flags | 0x80) << 8 | $length);

        return pack(
            'CCnNN',
            0x80,
            ($this->marker ? 0x80 : 0) | $this->payloadType & 0x7F,
            $this->sequence & 0xFFFF,
            $this->timestamp & 0xFFFFFFFF,
            $this->ssrc & 0xFFFFFFFF,
        )
            .$section.$list.($this->journal?->encode() ?? '');
    }

    /**
     * Where the payload begins, behind contributing sources and header extension, and where it ends, before padding.
     *
     * @return array{int, int}
     *
     * @throws Malformed
     */
    public static function payload(string $bytes): array
    {
        $length = \strlen($bytes);
        if ($length < 13) {
            throw Malformed::tooShort('An RTP packet with MIDI', 13, $length, 'RFC 3550, 5.1');
        }
        $first = \ord($bytes[0]);
        if ($first >> 6 !== 2) {
            throw Malformed::at(0, 'RTP version is '.($first >> 6).', 2 is required', 'RFC 3550, 5.1');
        }
        $at = 12 + 4 * ($first & 15);
        if (($first & 0x10) !== 0) {
            $at += $at + 4 > $length ? 4 : 4 + 4 * (\ord($bytes[$at + 2]) << 8 | \ord($bytes[$at + 3]));
        }
        $end = $length;
        if (($first & 0x20) !== 0) {
            $padding = \ord($bytes[$length - 1]);
            if ($padding === 0) {
                throw Malformed::at($length - 1, 'padding of 0 bytes cannot be', 'RFC 3550, 5.1');
            }
            $end -= $padding;
        }
        if ($at >= $end) {
            throw Malformed::at(min($at, $length), 'the header leaves no room for MIDI', 'RFC 3550, 5.1');
        }

        return [$at, $end];
    }

    /**
     * The head of the MIDI command section: its flags, the length of the list, and where the list begins.
     *
     * @return array{int, int, int}
     *
     * @throws Malformed
     */
    public static function section(string $bytes, int $at, int $end): array
    {
        $flags = \ord($bytes[$at]);
        $length = $flags & 15;
        $list = $at + 1;
        if (($flags & 0x80) !== 0) {
            if ($list >= $end) {
                throw Malformed::at($list, 'the second byte of LEN is missing', self::CLAUSE);
            }
            $length = $length << 8 | \ord($bytes[$list++]);
        }
        if ($list + $length > $end) {
            throw Malformed::at($at, "LEN says {$length} bytes, ".($end - $list).' are there', self::CLAUSE);
        }

        return [$flags, $length, $list];
    }
}
