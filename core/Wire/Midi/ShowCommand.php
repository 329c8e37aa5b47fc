<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

/** Commands of MIDI Show Control 1.1 (RP-002/RP-014, from memory): general ones to 0x0B, sound commands from 0x10 on. */
enum ShowCommand: int
{
    case Go = 0x01;
    case Stop = 0x02;
    case Resume = 0x03;
    case TimedGo = 0x04;
    case Load = 0x05;
    case Set = 0x06;
    case Fire = 0x07;
    case AllOff = 0x08;
    case Restore = 0x09;
    case Reset = 0x0A;
    case GoOff = 0x0B;
    case GoJamClock = 0x10;
    case StandbyPlus = 0x11;
    case StandbyMinus = 0x12;
    case SequencePlus = 0x13;
    case SequenceMinus = 0x14;
    case StartClock = 0x15;
    case StopClock = 0x16;
    case ZeroClock = 0x17;
    case SetClock = 0x18;
    case MtcChaseOn = 0x19;
    case MtcChaseOff = 0x1A;
    case OpenCueList = 0x1B;
    case CloseCueList = 0x1C;
    case OpenCuePath = 0x1D;
    case CloseCuePath = 0x1E;

    public function spelled(): string
    {
        return match ($this) {
            self::TimedGo => 'TIMED_GO', self::AllOff => 'ALL_OFF', self::GoOff => 'GO_OFF', self::GoJamClock => 'GO/JAM_CLOCK',
            self::StandbyPlus => 'STANDBY_+',
            self::StandbyMinus => 'STANDBY_-',
            self::SequencePlus => 'SEQUENCE_+',
            self::SequenceMinus => 'SEQUENCE_-',
            default => strtoupper(ltrim((string) preg_replace('/(?=[A-Z])/', '_', $this->name), '_')),
        };
    }

    /** @return list<string> names of the cue strings that follow, in their order: Q_number, Q_list, Q_path */
    public function strings(): array
    {
        return match ($this) {
            self::Go,
            self::Stop,
            self::Resume,
            self::TimedGo,
            self::Load,
            self::GoOff,
            self::GoJamClock => ['Q_number', 'Q_list', 'Q_path'],
            self::StandbyPlus,
            self::StandbyMinus,
            self::SequencePlus,
            self::SequenceMinus,
            self::StartClock,
            self::StopClock,
            self::ZeroClock,
            self::SetClock, self::MtcChaseOn, self::MtcChaseOff, self::OpenCueList, self::CloseCueList => ['Q_list'],
            self::OpenCuePath, self::CloseCuePath => ['Q_path'],
            default => [],
        };
    }

    /** Whether the first of the strings must be there. */
    public function needsString(): bool
    {
        return \in_array($this, [self::Load, self::OpenCueList, self::CloseCueList, self::OpenCuePath, self::CloseCuePath], true);
    }

    /** Whether five bytes of time come first. */
    public function hasTime(): bool
    {
        return $this === self::TimedGo || $this === self::SetClock;
    }
}
