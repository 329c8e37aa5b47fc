<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Message\Note;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Send\Bits;
use NimbleJunction\Core\Route\Showing;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;

/** A note begins; with its velocity. */
final readonly class NoteOnTrigger extends AboutNotes implements Showing
{
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
        return [...parent::fields(), ...self::velocityFields()];
    }

    protected function takes(Note $note): Taken|Missed|null
    {
        if ($note->velocity === 0) {
            return null;
        }

        return $this->missed($note) ?? new Taken((float) $note->velocity, 'takes its velocity');
    }

    protected function named(Wording $wording): string
    {
        return parent::named($wording).' on'.$this->withVelocity();
    }

    public function shows(float $value): ?Message
    {
        return $this->note === null || $this->channel === null || $this->last !== null
            ? null
            : new Note($this->channel, $this->note, Bits::held($value, 127));
    }
}
