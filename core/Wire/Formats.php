<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire;

use NimbleJunction\Core\Wire\Layout\Notation;
use NimbleJunction\Core\Wire\Layout\Part;

/** Every wire format by its short name: one door for people and scripts. */
final class Formats
{
    public const NAMES = [
        'artnet' => 'Art-Net 4',
        'sacn' => 'sACN (ANSI E1.31)',
        'osc' => 'OSC 1.0',
        'midi' => 'MIDI 1.0, with show control, machine control and time code',
        'rtpmidi' => 'RTP-MIDI (RFC 6295)',
        'applemidi' => 'the session protocol of RTP-MIDI',
        'dmx' => 'DMX512-A, one refresh',
        'smf' => 'Standard MIDI File',
        'pcap' => 'capture file (pcap, pcapng)',
    ];

    /** @return Notation|null null for a name that is not among NAMES */
    public static function notation(string $name): ?Notation
    {
        return match ($name) {
            'artnet' => new ArtNet\Notation(),
            'sacn' => new Sacn\Notation(),
            'osc' => new Osc\Notation(),
            'midi' => new Midi\Notation(),
            'rtpmidi' => new RtpMidi\Notation(self::spellMidi(...)),
            'applemidi' => new RtpMidi\SessionNotation(),
            'dmx' => new DmxLine\Notation(),
            'smf' => new MidiFile\Notation(self::spellMidi(...)),
            'pcap' => new Capture\Notation(),
            default => null,
        };
    }

    /** The format that a packet is most likely in, by how it begins; null when it could be anything. */
    public static function guess(string $bytes): ?string
    {
        return match (true) {
            str_starts_with($bytes, ArtNet\Packet::ID) => 'artnet',
            str_starts_with($bytes, Sacn\Packet::PREAMBLE) => 'sacn',
            str_starts_with($bytes, '/'), str_starts_with($bytes, Osc\Bundle::BEGINNING) => 'osc',
            str_starts_with($bytes, 'MThd') => 'smf',
            Capture\Pcap::isOne($bytes), Capture\Pcapng::isOne($bytes) => 'pcap',
            RtpMidi\SessionPacket::isOne($bytes) => 'applemidi',
            \strlen($bytes) >= 13
                && \ord($bytes[0]) >> 6 === 2
                && (\ord($bytes[1]) & 0x7F) === RtpMidi\Packet::PAYLOAD_TYPE => 'rtpmidi',
            $bytes !== '' && $bytes[0] === "\0" => 'dmx',
            $bytes !== '' && \ord($bytes[0]) >= 0x80 => 'midi',
            default => null,
        };
    }

    /** One MIDI message in a few words. */
    private static function spellMidi(string $bytes): string
    {
        $first = (new Midi\Notation())->read($bytes)->parts[0]->parts[0] ?? null;
        if (! $first instanceof Part) {
            return '';
        }
        $words = [];
        foreach ($first->parts ?? [] as $part) {
            if (\is_scalar($part->value)) {
                $words[] = $part->name === 'message' ? (string) $part->value : "{$part->name} {$part->value}";
            }
        }

        return implode(', ', $words);
    }
}
