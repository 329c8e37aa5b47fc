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
    public function __construct(public int $channel, public int|string $note, public int|string|null $velocity = null)
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
            Field::wholeOrGap('note', 'Note, 0 to 127, or a gap like {n}', 0, 127),
            Field::wholeOrGap('velocity', 'Velocity, 0 to end it; empty for the value', 0, 127, false),
        ];
    }

    public function make(float $value, Event $event): Message
    {
        return new Note(
            $this->channel,
            Bits::filled($this->note, $value, $event, 127),
            Bits::filled($this->velocity, $value, $event, 127),
        );
    }

    public function words(Wording $wording): string
    {
        $note = \is_string($this->note)
            ? "note {$this->note}"
            : Pitch::spelled($this->note, $wording->middleC()).$wording->agreed($this->note, $this->channel);

        return "{$note} on channel {$this->channel}".($this->velocity === null ? '' : ", velocity {$this->velocity}");
    }
}
