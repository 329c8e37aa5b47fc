<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\DmxLine;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\OutOfRange;

/**
 * One refresh of a DMX512-A line: start code, then 1 to 512 slots. As bytes
 * alone the break is left out: an interface, or a stand-in for one, is handed
 * whole refreshes. As signals on the wire it is there: see signals().
 *
 * Times: ANSI E1.11, table 6 (from memory): 11 bits of 4 µs a slot.
 */
final readonly class Line
{
    public const SLOT_MICROS = 44;
    public const BREAK_MICROS = 92;
    public const MARK_AFTER_BREAK_MICROS = 12;
    public const SHORTEST_REFRESH_MICROS = 1204;
    private const CLAUSE = 'ANSI E1.11, 8.5';

    public function __construct(public string $levels, public int $startCode = 0)
    {
    }

    /** @throws Malformed */
    public static function decode(string $bytes): self
    {
        $length = \strlen($bytes);
        if ($length < 2) {
            throw Malformed::tooShort('A refresh of a DMX line', 2, $length, self::CLAUSE);
        }
        if ($length > 513) {
            throw Malformed::outside('Slot count', $length - 1, 1, 512, 513, self::CLAUSE);
        }

        return new self(substr($bytes, 1), \ord($bytes[0]));
    }

    public function encode(): string
    {
        OutOfRange::check('Slot count', \strlen($this->levels), 1, 512);

        return \chr($this->startCode).$this->levels;
    }

    /** Shortest legal time from break to break for so many slots, in microseconds. */
    public static function refreshMicros(int $slots): int
    {
        return max(
            self::SHORTEST_REFRESH_MICROS,
            self::BREAK_MICROS + self::MARK_AFTER_BREAK_MICROS + ($slots + 1) * self::SLOT_MICROS,
        );
    }

    /** How often so many slots can be refreshed. */
    public static function refreshesPerSecond(int $slots): float
    {
        return 1_000_000 / self::refreshMicros($slots);
    }

    public function isLevels(): bool
    {
        return $this->startCode === StartCode::NULL;
    }

    /**
     * The refresh as it goes over the wire, with the shortest times that may be sent.
     *
     * @return list<Signal>
     */
    public function signals(): array
    {
        $slots = array_map(static fn(string $byte): Signal => Signal::slot(\ord($byte)), str_split($this->encode()));

        return [Signal::low(self::BREAK_MICROS), Signal::high(self::MARK_AFTER_BREAK_MICROS), ...$slots];
    }
}
