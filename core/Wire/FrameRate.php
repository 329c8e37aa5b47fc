<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire;

/** Frame rates of SMPTE time code (SMPTE ST 12-1). The value is the number that MIDI time code gives each. */
enum FrameRate: int
{
    case Film = 0;
    case Ebu = 1;
    case DropFrame = 2;
    case Smpte = 3;

    /** Frames that a second is counted in. */
    public function counted(): int
    {
        return match ($this) {
            self::Film => 24,
            self::Ebu => 25,
            self::DropFrame, self::Smpte => 30,
        };
    }

    /** @return array{int, int} frames, and the seconds that so many really take: 30000 in 1001 for drop frame */
    public function exact(): array
    {
        return $this === self::DropFrame ? [30000, 1001] : [$this->counted(), 1];
    }

    public function spelled(): string
    {
        return match ($this) {
            self::Film => '24',
            self::Ebu => '25',
            self::DropFrame => '29.97 drop',
            self::Smpte => '30',
        };
    }
}
