<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

/** Channel messages of MIDI 1.0. The value is the status byte of channel 1. */
enum ChannelKind: int
{
    case NoteOff = 0x80;
    case NoteOn = 0x90;
    case PolyphonicPressure = 0xA0;
    case ControlChange = 0xB0;
    case ProgramChange = 0xC0;
    case ChannelPressure = 0xD0;
    case PitchBend = 0xE0;

    public function dataBytes(): int
    {
        return $this === self::ProgramChange || $this === self::ChannelPressure ? 1 : 2;
    }

    /** @return list<string> what its data bytes are called; pitch bend has one value of 14 bits */
    public function fields(): array
    {
        return match ($this) {
            self::NoteOff, self::NoteOn => ['note', 'velocity'],
            self::PolyphonicPressure => ['note', 'pressure'],
            self::ControlChange => ['controller', 'value'],
            self::ProgramChange => ['program'],
            self::ChannelPressure => ['pressure'],
            self::PitchBend => ['value'],
        };
    }

    public function spelled(): string
    {
        return match ($this) {
            self::NoteOff => 'Note Off',
            self::NoteOn => 'Note On',
            self::PolyphonicPressure => 'Polyphonic Key Pressure',
            self::ControlChange => 'Control Change',
            self::ProgramChange => 'Program Change',
            self::ChannelPressure => 'Channel Pressure',
            self::PitchBend => 'Pitch Bend Change',
        };
    }
}
