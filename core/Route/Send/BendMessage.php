<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\Bend;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;

/** Pitch bend. */
final readonly class BendMessage implements Sendable
{
    public function __construct(public int $channel, public ?int $bend = null)
    {
    }

    public static function kind(): string
    {
        return 'bend';
    }

    public static function label(): string
    {
        return 'Pitch bend';
    }

    public static function protocol(): Protocol
    {
        return Protocol::Midi;
    }

    public static function fields(): array
    {
        return [
            Field::whole('channel', 'Channel, 1 to 16', 1, 16),
            Field::whole('bend', 'Bend, 0 to 16383; empty for the value', 0, 16383, null, false),
        ];
    }

    public function make(float $value, Event $event): Message
    {
        return new Bend($this->channel, $this->bend ?? Bits::held($value, 16383));
    }

    public function words(Wording $wording): string
    {
        return "pitch bend on channel {$this->channel}";
    }
}
