<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Message\Note;
use NimbleJunction\Core\Message\Pitch;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;

/** Something about a note, or about any. */
abstract readonly class AboutNotes extends ChannelTrigger
{
    /** @param int|null $note 0 to 127; null for any */
    public function __construct(string $port, ?int $channel, public ?int $note)
    {
        parent::__construct($port, $channel);
    }

    public static function fields(): array
    {
        return [
            ...self::channelFields(),
            self::noteField(),
        ];
    }

    abstract protected function takes(Note $note): ?Taken;

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
        $isMeant = $message instanceof Note && ($this->note === null || $message->note === $this->note);

        return $isMeant ? $this->takes($message) : null;
    }

    protected function named(Wording $wording): string
    {
        return $this->note === null ? 'any note' : Pitch::spelled($this->note, $wording->middleC());
    }
}
