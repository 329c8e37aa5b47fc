<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

use NimbleJunction\Core\Wire\OutOfRange;

/** A message on one of sixteen channels (MIDI 1.0, table 1, from memory). Channels count from 1, as people do. */
final readonly class ChannelMessage implements MidiMessage
{
    public const PITCH_BEND_CENTRE = 8192;

    /**
     * @param int $channel 1 to 16
     * @param int $data1 0 to 127
     * @param int $data2 0 to 127; 0 where the kind has one data byte
     */
    public function __construct(public ChannelKind $kind, public int $channel, public int $data1, public int $data2 = 0)
    {
    }

    public static function noteOn(int $channel, int $note, int $velocity): self
    {
        return new self(ChannelKind::NoteOn, $channel, $note, $velocity);
    }

    public static function noteOff(int $channel, int $note, int $velocity = 64): self
    {
        return new self(ChannelKind::NoteOff, $channel, $note, $velocity);
    }

    public static function controlChange(int $channel, int $controller, int $value): self
    {
        return new self(ChannelKind::ControlChange, $channel, $controller, $value);
    }

    /** @param int $value 0 to 16383, 8192 in the middle */
    public static function pitchBend(int $channel, int $value): self
    {
        OutOfRange::check('Pitch bend', $value, 0, 16383);

        return new self(ChannelKind::PitchBend, $channel, $value & 127, $value >> 7);
    }

    /** @param int $status the kind's status with the channel in its low nibble */
    public static function fromStatus(int $status, int $data1, int $data2): self
    {
        return new self(ChannelKind::from($status & 0xF0), ($status & 15) + 1, $data1, $data2);
    }

    /** Note-on with velocity 0 is a note-off. */
    public function beginsNote(): bool
    {
        return $this->kind === ChannelKind::NoteOn && $this->data2 > 0;
    }

    public function endsNote(): bool
    {
        return $this->kind === ChannelKind::NoteOff || ($this->kind === ChannelKind::NoteOn && $this->data2 === 0);
    }

    /** 14 bits: of pitch bend. */
    public function wideValue(): int
    {
        return $this->data2 << 7 | $this->data1;
    }

    /** Controllers 120 to 127 change how the channel works (MIDI 1.0, "Channel Mode Messages"). */
    public function mode(): ?string
    {
        return $this->kind !== ChannelKind::ControlChange ? null : match ($this->data1) {
            120 => 'All Sound Off',
            121 => 'Reset All Controllers',
            122 => 'Local Control '.($this->data2 === 0 ? 'Off' : 'On'),
            123 => 'All Notes Off',
            124 => 'Omni Mode Off',
            125 => 'Omni Mode On',
            126 => 'Mono Mode On',
            127 => 'Poly Mode On',
            default => null,
        };
    }

    public function encode(): string
    {
        $status = \chr($this->kind->value | OutOfRange::check('MIDI channel', $this->channel, 1, 16) - 1);
        $first = \chr(OutOfRange::check('MIDI data', $this->data1, 0, 127));

        return $this->kind->dataBytes() === 1
            ? $status.$first
            : $status.$first.\chr(OutOfRange::check('MIDI data', $this->data2, 0, 127));
    }
}
