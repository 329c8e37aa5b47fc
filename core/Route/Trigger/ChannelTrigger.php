<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;

/** A MIDI message on a channel, or on any. */
abstract readonly class ChannelTrigger implements Trigger
{
    /** @param int|null $channel 1 to 16; null for any */
    public function __construct(public string $port, public ?int $channel = null)
    {
    }

    /** @return string how its address begins, like "/note" */
    abstract protected function beginning(): string;

    /** @return list<int|null> what its address has after that; null for any */
    abstract protected function parts(): array;

    abstract protected function sampled(int $channel): Message;

    abstract protected function accept(Message $message): Taken|Missed|null;

    abstract protected function named(Wording $wording): string;

    /** @return list<Field> */
    protected static function channelFields(): array
    {
        return [
            Field::port(),
            Field::whole('channel', 'Channel, 1 to 16; empty for any', 1, 16, null, false),
        ];
    }

    protected static function noteField(): Field
    {
        return Field::whole('note', 'Note, 0 to 127; empty for any', 0, 127, null, false);
    }

    public function keys(): array
    {
        $key = "{$this->port} {$this->beginning()}";
        foreach ($this->parts() as $part) {
            if ($part === null) {
                return [$key.Heard::ANY];
            }
            $key .= "/{$part}";
        }

        return [$key];
    }

    public function take(Event $event): Taken|Missed|null
    {
        return $event instanceof Heard ? $this->accept($event->message) : null;
    }

    public function sample(): Event
    {
        return new Heard($this->port, $this->sampled($this->channel ?? 1));
    }

    /** @return list<Event> one on each channel that it takes */
    public function samples(): array
    {
        return array_map(
            fn(int $channel): Event => new Heard($this->port, $this->sampled($channel)),
            $this->channel === null ? range(1, 16) : [$this->channel],
        );
    }

    public function words(Wording $wording): string
    {
        $channel = $this->channel === null ? '' : " on channel {$this->channel}";

        return "{$this->named($wording)}{$channel} arrives on {$wording->port($this->port)}";
    }
}
