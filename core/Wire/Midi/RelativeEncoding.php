<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

/** How an endless encoder says "so many steps up or down" in a controller value (common practice, no source). */
enum RelativeEncoding: string
{
    /** 1–63 up, 127–65 down. */
    case TwosComplement = 'twos-complement';

    /** 65–127 up, 63–1 down, 64 still. */
    case Offset = 'offset-64';

    /** 1–63 up, 65–127 down: bit 6 is the sign. */
    case SignBit = 'sign-bit';

    /** @param int $value 0 to 127 */
    public function steps(int $value): int
    {
        return match ($this) {
            self::TwosComplement => $value < 64 ? $value : $value - 128,
            self::Offset => $value - 64,
            self::SignBit => $value < 64 ? $value : 64 - $value,
        };
    }

    /** @param int $steps more than the encoding can say is cut off */
    public function value(int $steps): int
    {
        $steps = max($this === self::SignBit ? -63 : -64, min(63, $steps));

        return match ($this) {
            self::TwosComplement => $steps & 127,
            self::Offset => $steps + 64,
            self::SignBit => $steps >= 0 ? $steps : 64 - $steps,
        };
    }
}
