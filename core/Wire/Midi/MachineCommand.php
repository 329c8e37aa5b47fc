<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

/** Commands of MIDI Machine Control 1.0 that show control uses (from memory). */
enum MachineCommand: int
{
    case Stop = 0x01;
    case Play = 0x02;
    case DeferredPlay = 0x03;
    case FastForward = 0x04;
    case Rewind = 0x05;
    case RecordStrobe = 0x06;
    case RecordExit = 0x07;
    case RecordPause = 0x08;
    case Pause = 0x09;
    case Eject = 0x0A;
    case Chase = 0x0B;
    case CommandErrorReset = 0x0C;
    case Reset = 0x0D;
    case Locate = 0x44;

    public function spelled(): string
    {
        return strtoupper(trim((string) preg_replace('/(?=[A-Z])/', ' ', $this->name)));
    }
}
