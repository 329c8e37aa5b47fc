<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Midi\FullFrame;
use NimbleJunction\Core\Wire\TimeCode as Time;

/** A time of a time code: a jump to it, or one that running pieces have said. */
final readonly class TimeCode extends Message implements Encodable
{
    public function __construct(Protocol $protocol, public Time $time, public bool $isJump)
    {
        parent::__construct($protocol);
    }

    public function address(): string
    {
        return '/time-code';
    }

    public function arguments(): array
    {
        return [$this->time->spelled()];
    }

    public function fields(): array
    {
        return [
            'time' => $this->time->spelled(),
            'hours' => $this->time->hours,
            'minutes' => $this->time->minutes,
            'seconds' => $this->time->seconds,
            'frames' => $this->time->frames,
        ];
    }

    public function spelled(int $middleC = 4): string
    {
        return 'time code '.$this->time->spelled().($this->isJump ? ', a jump' : '');
    }

    public function isTick(): bool
    {
        return ! $this->isJump;
    }

    public function encode(): string
    {
        return (new FullFrame($this->time))->message()->encode();
    }
}
