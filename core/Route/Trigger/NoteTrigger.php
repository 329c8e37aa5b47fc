<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Message\Note;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Wording;

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

    public static function fields(): array
    {
        return [...parent::fields(), ...self::velocityFields()];
    }

    protected function takes(Note $note): Taken|Missed
    {
        $missed = $note->velocity === 0 ? null : $this->missed($note);

        return $missed ?? new Taken((float) $note->velocity, 'takes its velocity');
    }

    protected function named(Wording $wording): string
    {
        return parent::named($wording).$this->withVelocity();
    }
}
