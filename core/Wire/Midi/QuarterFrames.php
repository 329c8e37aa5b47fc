<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

use NimbleJunction\Core\Wire\FrameRate;
use NimbleJunction\Core\Wire\OutOfRange;
use NimbleJunction\Core\Wire\TimeCode;

/**
 * MIDI time code in quarter frames: eight pieces of a nibble each, four a
 * frame, so that a whole time is two frames old when it is complete. Forwards
 * the pieces come from 0 to 7, backwards from 7 to 0.
 *
 * Source: MIDI Time Code, MIDI Association (from memory).
 */
final class QuarterFrames
{
    private const PIECES = 8;

    /** Frames that pass while a time is being sent. */
    private const AGE = 2;

    /** @var list<int> nibbles so far, in the order of their coming */
    private array $nibbles = [];
    private int $last = -1;
    private int $direction = 1;

    /**
     * @param int $data the byte after F1
     *
     * @return MovingTime|null null until eight pieces have come one after the other, or when they make no time
     */
    public function push(int $data): ?MovingTime
    {
        $piece = $data >> 4 & 7;
        $follows = $this->last >= 0 ? ($piece - $this->last) & 7 : 0;
        $direction = match ($follows) {
            1 => 1,
            7 => -1,
            default => 0,
        };
        $first = $piece === 0 || $piece === 7;
        if ($direction === 0 || ($this->nibbles !== [] && $direction !== $this->direction)) {
            $this->nibbles = [];
        }
        if ($direction !== 0) {
            $this->direction = $direction;
        } elseif ($first) {
            $this->direction = $piece === 0 ? 1 : -1;
        }
        $this->last = $piece;
        if ($this->nibbles === [] && $piece !== ($this->direction === 1 ? 0 : 7)) {
            return null;
        }
        $this->nibbles[] = $data & 15;
        if (\count($this->nibbles) < self::PIECES) {
            return null;
        }
        $stamp = self::standardTime($this->direction === 1 ? $this->nibbles : array_reverse($this->nibbles));
        $this->nibbles = [];

        return $stamp === null ? null : new MovingTime($stamp, $stamp->plus(self::AGE * $this->direction), $this->direction);
    }

    /**
     * The eight pieces that say a time, in the order in which they are sent.
     *
     * @return list<SystemCommon>
     */
    public static function of(TimeCode $time, int $direction = 1): array
    {
        $hours = $time->hours | $time->rate->value << 5;
        $messages = [];
        foreach ([$time->frames, $time->seconds, $time->minutes, $hours] as $i => $value) {
            $messages[] = SystemCommon::quarterFrame(2 * $i, $value & 15);
            $messages[] = SystemCommon::quarterFrame(2 * $i + 1, $value >> 4);
        }

        return $direction === 1 ? $messages : array_reverse($messages);
    }

    /** @param list<int> $nibbles from piece 0 on */
    private static function standardTime(array $nibbles): ?TimeCode
    {
        [$f0, $f1, $s0, $s1, $m0, $m1, $h0, $h1] = [...$nibbles, 0, 0, 0, 0, 0, 0, 0, 0];
        try {
            return TimeCode::of(
                FrameRate::from($h1 >> 1 & 3),
                $h0 | ($h1 & 1) << 4,
                $m0 | ($m1 & 3) << 4,
                $s0 | ($s1 & 3) << 4,
                $f0 | ($f1 & 1) << 4,
            );
        } catch (OutOfRange) {
            return null;
        }
    }
}
