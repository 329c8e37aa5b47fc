<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Signal\Message;

/** When a message arrives at a port, its number sets one slot of a universe. */
final readonly class MessageToSlot
{
    /**
     * @param int $argument counted from 1
     * @param int $slot 0 to 511
     * @param string $refusal why it cannot set this slot; '' where it can
     */
    public function __construct(
        public string $id,
        public string $name,
        public bool $enabled,
        public string $portId,
        public string $address,
        public int $argument,
        public string $universeId,
        public int $slot,
        public Scale $scale,
        public string $refusal = '',
    ) {
    }

    /** What it is called as an owner of what it gives. */
    public function owner(): string
    {
        return "route {$this->id}";
    }

    /** The slot's new level, 0 to 255, or null when the message has no number there. */
    public function level(Message $message): ?int
    {
        $number = $message->number($this->argument);

        return $number === null ? null : (int) floor($this->scale->apply($number) + 0.5);
    }
}
