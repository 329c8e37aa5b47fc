<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;

/** A piece of MIDI time code; eight of them say a time. */
final readonly class QuarterFrame extends Message implements Encodable
{
    /** @param int $data the byte after F1 */
    public function __construct(public int $data)
    {
        parent::__construct(Protocol::Midi);
    }

    public function address(): string
    {
        return '/quarter-frame';
    }

    public function arguments(): array
    {
        return [$this->data];
    }

    public function fields(): array
    {
        return ['data' => $this->data];
    }

    public function spelled(int $middleC = 4): string
    {
        return 'a quarter frame of time code';
    }

    public function encode(): string
    {
        return "\xF1".\chr($this->data & 0x7F);
    }

    public function isTick(): bool
    {
        return true;
    }
}
