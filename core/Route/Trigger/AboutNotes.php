<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\Note;
use NimbleJunction\Core\Message\Pitch;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;

/** Something about a note, or about any. */
abstract readonly class AboutNotes extends ChannelTrigger
{
    /** Up to which it takes notes from the first one on; null for that one alone. */
    public ?int $last;

    /**
     * @param int|null $note 0 to 127; null for any
     * @param int $least velocity, 1 to 127
     * @param int $most velocity, 1 to 127
     */
    public function __construct(
        string $port,
        ?int $channel,
        public ?int $note,
        ?int $last = null,
        public int $least = 1,
        public int $most = 127,
    ) {
        $this->last = $note === null || $last === $note ? null : $last;
        parent::__construct($port, $channel);
    }

    public static function fields(): array
    {
        return [
            ...self::channelFields(),
            self::noteField(),
            Field::whole('last', 'Up to note; empty for that one alone', 0, 127, null, false)->atLeast('note')->rare(),
        ];
    }

    abstract protected function takes(Note $note): Taken|Missed|null;

    /** @return list<Field> */
    protected static function velocityFields(): array
    {
        return [
            Field::whole('least', 'Velocity at least', 1, 127, 1)->rare(),
            Field::whole('most', 'Velocity at most', 1, 127, 127)->atLeast('least')->rare(),
        ];
    }

    /** @return Missed|null where it is pressed too softly or too hard */
    protected function missed(Note $note): ?Missed
    {
        return match (true) {
            $note->velocity < $this->least => new Missed(
                "wants a velocity of at least {$this->least}, it is {$note->velocity}",
                ['least' => $note->velocity],
            ),
            $note->velocity > $this->most => new Missed(
                "wants a velocity of at most {$this->most}, it is {$note->velocity}",
                ['most' => $note->velocity],
            ),
            default => null,
        };
    }

    protected function beginning(): string
    {
        return '/note';
    }

    protected function parts(): array
    {
        return [$this->channel, $this->last === null ? $this->note : null];
    }

    protected function accept(Message $message): Taken|Missed|null
    {
        $isMeant = $message instanceof Note
            && ($this->note === null || ($message->note >= $this->note && $message->note <= ($this->last ?? $this->note)));

        return $isMeant ? $this->takes($message) : null;
    }

    protected function sampled(int $channel): Message
    {
        return new Note($channel, $this->note ?? 60, max($this->least, min($this->most, 100)));
    }

    protected function withVelocity(): string
    {
        return match (true) {
            $this->least === 1 && $this->most === 127 => '',
            $this->most === 127 => " with a velocity of at least {$this->least}",
            $this->least === 1 => " with a velocity of at most {$this->most}",
            default => " with a velocity from {$this->least} to {$this->most}",
        };
    }

    protected function named(Wording $wording): string
    {
        if ($this->note === null) {
            return 'any note';
        }
        $first = Pitch::spelled($this->note, $wording->middleC()).$wording->agreed($this->note, $this->channel);

        return $this->last === null ? $first : "{$first} to ".Pitch::spelled($this->last, $wording->middleC());
    }
}
