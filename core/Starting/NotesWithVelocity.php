<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Starting;

/** Notes set points by how hard they are pressed, as long as they sound. */
final readonly class NotesWithVelocity extends Notes
{
    public static function kind(): string
    {
        return 'notes-velocity';
    }

    public static function label(): string
    {
        return 'Notes as levels, by how hard they are pressed';
    }

    protected function step(): array
    {
        return ['kind' => 'scale', 'from' => [0, 127], 'to' => [0, 255]];
    }
}
