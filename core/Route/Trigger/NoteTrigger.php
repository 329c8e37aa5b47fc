<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Message\Note;
use NimbleJunction\Core\Route\Taken;

/** A note, with its velocity; 0 when it ends. */
final readonly class NoteTrigger extends AboutNotes
{
    public static function kind(): string
    {
        return 'note';
    }

    public static function label(): string
    {
        return 'A note, with its velocity; 0 when it ends';
    }

    protected function takes(Note $note): Taken
    {
        return new Taken((float) $note->velocity, 'takes its velocity');
    }
}
