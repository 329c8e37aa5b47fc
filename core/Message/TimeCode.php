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
    /**
     * @param Time|null $before what the same sender said before; null where nothing is known
     * @param int $way 1 forwards, -1 backwards, where the pieces say so; 0 where only times do
     */
    public function __construct(
        Protocol $protocol,
        public Time $time,
        public bool $isJump,
        public ?Time $before = null,
        public int $way = 0,
    ) {
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

    public function after(?Time $before): self
    {
        return new self($this->protocol, $this->time, $this->isJump, $before, $this->way);
    }

    public function encode(): string
    {
        return (new FullFrame($this->time))->message()->encode();
    }
}
