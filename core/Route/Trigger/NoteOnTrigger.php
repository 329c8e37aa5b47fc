<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Message\Note;
use NimbleJunction\Core\Message\Pitch;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;

/** A note begins; with its velocity. */
final readonly class NoteOnTrigger extends ChannelTrigger
{
    public function __construct(string $port, ?int $channel, public ?int $note)
    {
        parent::__construct($port, $channel);
    }

    public static function kind(): string
    {
        return 'note-on';
    }

    public static function label(): string
    {
        return 'A note begins, with its velocity';
    }

    public static function fields(): array
    {
        return [
            ...self::channelFields(),
            self::noteField(),
        ];
    }

    protected function beginning(): string
    {
        return '/note';
    }

    protected function parts(): array
    {
        return [$this->channel, $this->note];
    }

    protected function accept(Message $message): ?Taken
    {
        if (! $message instanceof Note || ($this->note !== null && $message->note !== $this->note) || $message->velocity === 0) {
            return null;
        }

        return new Taken((float) $message->velocity, 'takes its velocity');
    }

    protected function named(Wording $wording): string
    {
        return ($this->note === null ? 'any note' : Pitch::spelled($this->note, $wording->middleC())).' on';
    }
}
