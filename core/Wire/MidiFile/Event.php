<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\MidiFile;

use NimbleJunction\Core\Wire\OutOfRange;
use NimbleJunction\Core\Wire\VariableLength;

/** One event of a track: how many ticks after the one before, and what (Standard MIDI Files 1.0, "Track Chunks"). */
final readonly class Event
{
    public const SEQUENCE_NUMBER = 0x00;
    public const TEXT = 0x01;
    public const TRACK_NAME = 0x03;
    public const MARKER = 0x06;
    public const END_OF_TRACK = 0x2F;
    public const SET_TEMPO = 0x51;
    public const SMPTE_OFFSET = 0x54;
    public const TIME_SIGNATURE = 0x58;
    public const KEY_SIGNATURE = 0x59;
    private const NAMES = [
        0x00 => 'Sequence Number',
        0x01 => 'Text Event',
        0x02 => 'Copyright Notice',
        0x03 => 'Sequence/Track Name',
        0x04 => 'Instrument Name',
        0x05 => 'Lyric',
        0x06 => 'Marker',
        0x07 => 'Cue Point',
        0x20 => 'MIDI Channel Prefix',
        0x2F => 'End of Track',
        0x51 => 'Set Tempo',
        0x54 => 'SMPTE Offset',
        0x58 => 'Time Signature',
        0x59 => 'Key Signature',
        0x7F => 'Sequencer-Specific Meta-Event',
    ];

    /**
     * @param string $bytes a channel message with its status; otherwise the data alone
     * @param int $type of a meta event, 0 to 127
     */
    private function __construct(public int $delta, public EventKind $kind, public string $bytes, public int $type = 0)
    {
    }

    /** @param string $message a channel message with its status byte */
    public static function channel(int $delta, string $message): self
    {
        return new self($delta, EventKind::Channel, $message);
    }

    /** @param string $data what follows the F0, with the closing F7 where it ends here */
    public static function exclusive(int $delta, string $data): self
    {
        return new self($delta, EventKind::Exclusive, $data);
    }

    public static function escape(int $delta, string $data): self
    {
        return new self($delta, EventKind::Escape, $data);
    }

    public static function meta(int $delta, int $type, string $data = ''): self
    {
        return new self($delta, EventKind::Meta, $data, OutOfRange::check('Type of a meta event', $type, 0, 127));
    }

    /** @param int $micros a quarter note, 1 to 16777215 */
    public static function tempo(int $delta, int $micros): self
    {
        return self::meta($delta, self::SET_TEMPO, substr(pack('N', OutOfRange::check('Tempo', $micros, 1, 0xFFFFFF)), 1));
    }

    /** The same, so many ticks after the one before. */
    public function after(int $delta): self
    {
        return new self($delta, $this->kind, $this->bytes, $this->type);
    }

    public function isMeta(int $type): bool
    {
        return $this->kind === EventKind::Meta && $this->type === $type;
    }

    /** Microseconds a quarter note, where it sets a tempo. */
    public function tempoMicros(): ?int
    {
        return $this->isMeta(self::SET_TEMPO) && \strlen($this->bytes) === 3
            ? \ord($this->bytes[0]) << 16 | \ord($this->bytes[1]) << 8 | \ord($this->bytes[2])
            : null;
    }

    /** Types 1 to 15 are text. */
    public function isText(): bool
    {
        return $this->kind === EventKind::Meta && $this->type >= 1 && $this->type <= 15;
    }

    public function metaName(): string
    {
        return self::NAMES[$this->type] ?? 'meta event '.$this->type;
    }

    /** @param int $running status of the event before, changed to that of this one; 0 when there is none */
    public function encode(int &$running): string
    {
        $delta = VariableLength::write($this->delta);
        $size = VariableLength::write(\strlen($this->bytes));
        if ($this->kind === EventKind::Channel) {
            $status = \ord($this->bytes[0]);
            $bytes = $status === $running ? substr($this->bytes, 1) : $this->bytes;
            $running = $status;

            return $delta.$bytes;
        }
        $running = 0;

        return $delta.match ($this->kind) {
            EventKind::Exclusive => "\xF0",
            EventKind::Escape => "\xF7",
            default => "\xFF".\chr($this->type),
        }.$size.$this->bytes;
    }
}
