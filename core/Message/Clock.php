<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Midi\RealTime;

/** A sequencer's clock ticks, starts, goes on or stops. */
final readonly class Clock extends Message implements Encodable
{
    public function __construct(public RealTime $what)
    {
        parent::__construct(Protocol::Midi);
    }

    /** @return string clock, start, continue or stop */
    public function event(): string
    {
        return $this->what === RealTime::TimingClock ? 'clock' : strtolower($this->what->name);
    }

    public function address(): string
    {
        return "/{$this->event()}";
    }

    public function arguments(): array
    {
        return [];
    }

    public function fields(): array
    {
        return ['event' => $this->event()];
    }

    public function spelled(int $middleC = 4): string
    {
        return $this->event();
    }

    public function isTick(): bool
    {
        return $this->what === RealTime::TimingClock;
    }

    public function encode(): string
    {
        return $this->what->encode();
    }
}
