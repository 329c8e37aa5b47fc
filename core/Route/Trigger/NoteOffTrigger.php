<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Message\Note;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;

/** A note ends: note off, or note on with velocity 0 (MIDI 1.0, "Note Off", from memory). */
final readonly class NoteOffTrigger extends AboutNotes
{
    public static function kind(): string
    {
        return 'note-off';
    }

    public static function label(): string
    {
        return 'A note ends';
    }

    protected function takes(Note $note): ?Taken
    {
        return $note->velocity === 0 ? new Taken(0.0, 'takes that it ends') : null;
    }

    protected function sampled(int $channel): Message
    {
        return new Note($channel, $this->note ?? 60, 0);
    }

    protected function named(Wording $wording): string
    {
        return parent::named($wording).' off';
    }
}
