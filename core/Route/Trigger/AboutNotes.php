<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\Note;
use NimbleJunction\Core\Message\Pitch;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;

/** Something about a note, or about any. */
abstract readonly class AboutNotes extends ChannelTrigger
{
    /** Up to which it takes notes from the first one on; null for that one alone. */
    public ?int $last;

    /** @param int|null $note 0 to 127; null for any */
    public function __construct(string $port, ?int $channel, public ?int $note, ?int $last = null)
    {
        $this->last = $note === null || $last === $note ? null : $last;
        parent::__construct($port, $channel);
    }

    public static function fields(): array
    {
        return [
            ...self::channelFields(),
            self::noteField(),
            Field::whole('last', 'Up to note; empty for that one alone', 0, 127, null, false)->atLeast('note'),
        ];
    }

    abstract protected function takes(Note $note): ?Taken;

    protected function beginning(): string
    {
        return '/note';
    }

    protected function parts(): array
    {
        return [$this->channel, $this->last === null ? $this->note : null];
    }

    protected function accept(Message $message): ?Taken
    {
        $isMeant = $message instanceof Note
            && ($this->note === null || ($message->note >= $this->note && $message->note <= ($this->last ?? $this->note)));

        return $isMeant ? $this->takes($message) : null;
    }

    protected function named(Wording $wording): string
    {
        if ($this->note === null) {
            return 'any note';
        }
        $first = Pitch::spelled($this->note, $wording->middleC());

        return $this->last === null ? $first : "{$first} to ".Pitch::spelled($this->last, $wording->middleC());
    }
}
