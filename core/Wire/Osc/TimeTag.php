<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Osc;

use NimbleJunction\Core\Wire\OutOfRange;

/**
 * When a bundle's contents are to take effect: seconds since 1900 and 2⁻³²
 * parts of a second, as NTP counts. One part alone means "at once".
 *
 * Source: OSC 1.0, "Temporal Semantics and OSC Time Tags".
 */
final readonly class TimeTag
{
    private const FROM_1900_TO_1970 = 2_208_988_800;

    /** @param int $fraction both 0 to 4294967295 */
    public function __construct(public int $seconds, public int $fraction)
    {
    }

    public static function immediately(): self
    {
        return new self(0, 1);
    }

    /** @param int $nanos since 1970 */
    public static function atUnixNanos(int $nanos): self
    {
        $seconds = intdiv($nanos, 1_000_000_000);

        return new self(
            $seconds + self::FROM_1900_TO_1970 & 0xFFFFFFFF,
            intdiv(($nanos - $seconds * 1_000_000_000) << 32, 1_000_000_000),
        );
    }

    /** Nanoseconds since 1970; what is before that, as unset clocks say it, is negative. */
    public function unixNanos(): int
    {
        return ($this->seconds - self::FROM_1900_TO_1970) * 1_000_000_000 + ($this->fraction * 1_000_000_000 >> 32);
    }

    public static function read(string $bytes, int $offset): self
    {
        return new self((int) hexdec(bin2hex(substr($bytes, $offset, 4))), (int) hexdec(bin2hex(substr($bytes, $offset + 4, 4))));
    }

    public function encode(): string
    {
        OutOfRange::check('Seconds of a time tag', $this->seconds, 0, 0xFFFFFFFF);
        OutOfRange::check('Fraction of a time tag', $this->fraction, 0, 0xFFFFFFFF);

        return pack('NN', $this->seconds, $this->fraction);
    }

    public function isImmediate(): bool
    {
        return $this->seconds === 0 && $this->fraction === 1;
    }

    public function spelled(): string
    {
        return $this->isImmediate() ? 'at once' : gmdate('Y-m-d H:i:s', $this->seconds - self::FROM_1900_TO_1970).\sprintf(
            '.%06d UTC',
            intdiv($this->fraction * 1_000_000, 1 << 32),
        );
    }
}
