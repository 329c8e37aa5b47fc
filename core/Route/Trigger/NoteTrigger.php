<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\Note;
use NimbleJunction\Core\Message\Pitch;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;

/** A note, with its velocity; 0 when it ends. */
final readonly class NoteTrigger implements Trigger
{
    public function __construct(public string $port, public ?int $channel, public ?int $note)
    {
    }

    public static function kind(): string
    {
        return 'note';
    }

    public static function label(): string
    {
        return 'A note, with its velocity; 0 when it ends';
    }

    public static function fields(): array
    {
        return [
            Field::port(),
            Field::whole('channel', 'Channel, 1 to 16; empty for any', 1, 16, null, false),
            Field::whole('note', 'Note, 0 to 127; empty for any', 0, 127, null, false),
        ];
    }

    public function keys(): array
    {
        return [MidiKey::of($this->port, '/note', $this->channel, $this->note)];
    }

    public function take(Event $event): ?Taken
    {
        $message = $event instanceof Heard ? $event->message : null;
        if (! $message instanceof Note || ($this->note !== null && $message->note !== $this->note)) {
            return null;
        }

        return new Taken((float) $message->velocity, 'takes its velocity');
    }

    public function words(Wording $wording): string
    {
        return ($this->note === null ? 'any note' : Pitch::spelled($this->note, $wording->middleC())).MidiKey::onChannel($this->channel)." arrives on {$wording->port($this->port)}";
    }
}
