<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Message\MidiAddress;
use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;

/** When a slot of a universe changes, a message says so at a port. */
final readonly class SlotToMessage
{
    /** @param int $slot 0 to 511 */
    public function __construct(
        public string $id,
        public string $name,
        public bool $enabled,
        public string $universeId,
        public int $slot,
        public string $portId,
        public Protocol $protocol,
        public string $address,
        public bool $asFloat,
        public Scale $scale,
    ) {
    }

    /** @param int $level 0 to 255 */
    public function message(int $level): Message
    {
        $value = $this->scale->apply($level);

        $value = $this->asFloat ? $value : (int) floor($value + 0.5);

        return MidiAddress::parse($this->protocol === Protocol::Midi ? $this->address : '')?->message($value)
            ?? Osc::of($this->address, [$value]);
    }

    /** The level that a message from the other end stands for, 0 to 255, or null if it says no number. */
    public function understood(Message $message): ?int
    {
        $number = $message->number(1);

        return $number === null ? null : (int) floor($this->scale->reversed()->apply($number) + 0.5);
    }
}
