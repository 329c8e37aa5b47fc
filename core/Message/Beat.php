<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;

/** A beat of a sequencer's clock, put together from its 24 ticks. */
final readonly class Beat extends Message
{
    /** @param int $beat from 1, since the sequencer started */
    public function __construct(public int $beat)
    {
        parent::__construct(Protocol::Midi);
    }

    public function address(): string
    {
        return '/beat';
    }

    public function arguments(): array
    {
        return [$this->beat];
    }

    public function fields(): array
    {
        return ['beat' => $this->beat];
    }

    public function spelled(int $middleC = 4): string
    {
        return "beat {$this->beat}";
    }

    public function isTick(): bool
    {
        return true;
    }
}
