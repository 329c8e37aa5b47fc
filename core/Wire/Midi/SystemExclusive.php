<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

use NimbleJunction\Core\Wire\OutOfRange;

/** A System Exclusive message: 7-bit bytes between F0 and F7. */
final readonly class SystemExclusive implements MidiMessage
{
    public const UNIVERSAL_REAL_TIME = 0x7F;

    /** @param string $data what stands between F0 and F7 */
    public function __construct(public string $data)
    {
    }

    public function encode(): string
    {
        for ($i = 0; $i < \strlen($this->data); ++$i) {
            OutOfRange::check('A byte of System Exclusive', \ord($this->data[$i]), 0, 127);
        }

        return "\xF0{$this->data}\xF7";
    }

    /** Whether it is universal, in real time, of this first sub-ID: F0 7F device sub-ID … F7. */
    public function isRealTime(int $subId): bool
    {
        return \strlen($this->data) >= 4 && \ord($this->data[0]) === self::UNIVERSAL_REAL_TIME && \ord($this->data[2]) === $subId;
    }
}
