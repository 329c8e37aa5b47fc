<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Starting;

/** Notes set points to full as long as they are held, however hard. */
final readonly class NotesHeld extends Notes
{
    public static function kind(): string
    {
        return 'notes-held';
    }

    public static function label(): string
    {
        return 'Notes as buttons, on as long as they are held';
    }

    protected function step(): array
    {
        return ['kind' => 'momentary', 'on' => 255, 'off' => 0];
    }
}
