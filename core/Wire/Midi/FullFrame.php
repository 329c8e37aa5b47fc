<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

use NimbleJunction\Core\Wire\FrameRate;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\OutOfRange;
use NimbleJunction\Core\Wire\TimeCode;

/**
 * A whole MIDI time code in one message, for jumps: F0 7F id 01 01 hh mm ss ff F7,
 * with the rate in bits 5 and 6 of hh.
 *
 * Source: MIDI Time Code, MIDI Association (from memory).
 */
final readonly class FullFrame
{
    public const SUB_ID = 0x01;
    private const CLAUSE = 'MIDI Time Code, Full Message';

    /** @param int $device 0 to 127; 127 is everyone */
    public function __construct(public TimeCode $time, public int $device = 127)
    {
    }

    /** @throws Malformed */
    public static function decode(SystemExclusive $message): self
    {
        $data = $message->data;
        if (\strlen($data) !== 8 || \ord($data[3]) !== 1) {
            throw Malformed::at(min(4, \strlen($data)), 'a full message is F0 7F id 01 01 hh mm ss ff F7', self::CLAUSE);
        }
        $hours = \ord($data[4]);
        try {
            return new self(
                TimeCode::of(FrameRate::from($hours >> 5 & 3), $hours & 31, \ord($data[5]), \ord($data[6]), \ord($data[7])),
                \ord($data[1]),
            );
        } catch (OutOfRange $outside) {
            throw Malformed::at(5, $outside->getMessage(), self::CLAUSE);
        }
    }

    public function message(): SystemExclusive
    {
        $time = $this->time;

        return new SystemExclusive(
            "\x7F".\chr($this->device)."\x01\x01".\chr($time->hours | $time->rate->value << 5).\chr($time->minutes).\chr($time->seconds)
                .\chr($time->frames),
        );
    }
}
