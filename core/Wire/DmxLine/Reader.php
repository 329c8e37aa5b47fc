<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\DmxLine;

use NimbleJunction\Core\Wire\Malformed;

/**
 * Parts what a wire does into refreshes: a break of at least 88 µs, a mark of
 * at least 8 µs, the start code, up to 512 slots, until the next break. A
 * refresh is known to be whole only when that break comes.
 *
 * Source: ANSI E1.11, 8 and table 6 (from memory).
 */
final class Reader
{
    public const SHORTEST_BREAK_MICROS = 88;
    public const SHORTEST_MARK_MICROS = 8;

    /** Longer than this between breaks is a loss of data (9.2). */
    public const LOSS_MICROS = 1_000_000;
    private const CLAUSE = 'ANSI E1.11, table 6';
    private string $bytes = '';
    private bool $afterBreak = false;
    private bool $counting = false;
    private int $seen = 0;

    /**
     * @return Line|Malformed|null a whole refresh, or what was wrong; null while one is still coming
     */
    public function push(Signal $signal): Line|Malformed|null
    {
        ++$this->seen;
        if ($signal->slot !== null) {
            return $this->takeSlot($signal);
        }
        $micros = (float) $signal->micros;
        if ($signal->high) {
            if ($this->afterBreak && $micros < self::SHORTEST_MARK_MICROS) {
                return $this->refuse(
                    "the mark after break is {$micros} µs, at least ".self::SHORTEST_MARK_MICROS.' are required',
                );
            }
            $lost = $this->counting && $micros > self::LOSS_MICROS;
            if ($this->afterBreak) {
                $this->counting = true;
            }
            $this->afterBreak = false;

            return $lost ? $this->finish() : null;
        }
        if ($micros < self::SHORTEST_BREAK_MICROS) {
            return $this->refuse("the line is low for {$micros} µs, a break takes at least ".self::SHORTEST_BREAK_MICROS);
        }
        $line = $this->finish();
        $this->afterBreak = true;

        return $line;
    }

    private function takeSlot(Signal $signal): ?Malformed
    {
        if ($this->afterBreak) {
            return $this->refuse('a slot follows the break without a mark');
        }
        if (! $this->counting) {
            return null;
        }
        if (! $signal->sound) {
            return $this->refuse('a slot has no stop bits');
        }
        if (\strlen($this->bytes) === 513) {
            return $this->refuse('more than 512 slots follow one break');
        }
        $this->bytes .= \chr((int) $signal->slot);

        return null;
    }

    private function finish(): ?Line
    {
        $bytes = $this->bytes;
        $this->bytes = '';
        $this->counting = $this->afterBreak = false;

        return \strlen($bytes) < 2 ? null : new Line(substr($bytes, 1), \ord($bytes[0]));
    }

    /** The refresh is given up; reading begins anew with the next break. */
    private function refuse(string $reason): Malformed
    {
        $this->bytes = '';
        $this->counting = $this->afterBreak = false;

        return Malformed::at($this->seen - 1, $reason, self::CLAUSE);
    }
}
