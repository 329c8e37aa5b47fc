<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\Note;
use NimbleJunction\Core\Message\Pitch;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;

/** A note. */
final readonly class NoteMessage implements Sendable
{
    public function __construct(public int $channel, public int $note, public ?int $velocity = null)
    {
    }

    public static function kind(): string
    {
        return 'note';
    }

    public static function label(): string
    {
        return 'A note';
    }

    public static function protocol(): Protocol
    {
        return Protocol::Midi;
    }

    public static function fields(): array
    {
        return [
            Field::whole('channel', 'Channel, 1 to 16', 1, 16),
            Field::whole('note', 'Note, 0 to 127', 0, 127),
            Field::whole('velocity', 'Velocity, 0 to end it; empty for the value', 0, 127, null, false),
        ];
    }

    public function make(float $value, Event $event): Message
    {
        return new Note($this->channel, $this->note, $this->velocity ?? Bits::held($value, 127));
    }

    public function words(Wording $wording): string
    {
        return Pitch::spelled($this->note, $wording->middleC()).$wording->agreed($this->note, $this->channel)." on channel {$this->channel}".($this->velocity === null ? '' : ", velocity {$this->velocity}");
    }
}
