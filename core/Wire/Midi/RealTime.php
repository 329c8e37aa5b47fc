<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

/** Single bytes that may stand anywhere, even inside other messages (MIDI 1.0, "System Real Time Messages"). */
enum RealTime: int implements MidiMessage
{
    case TimingClock = 0xF8;
    case Start = 0xFA;
    case Continue = 0xFB;
    case Stop = 0xFC;
    case ActiveSensing = 0xFE;
    case SystemReset = 0xFF;

    /** After the first active sensing byte, silence for longer than this means that the cable is out. */
    public const ACTIVE_SENSING_NANOS = 300_000_000;

    public function encode(): string
    {
        return \chr($this->value);
    }

    public function spelled(): string
    {
        return match ($this) {
            self::TimingClock => 'Timing Clock',
            self::ActiveSensing => 'Active Sensing',
            self::SystemReset => 'System Reset',
            default => $this->name,
        };
    }
}
