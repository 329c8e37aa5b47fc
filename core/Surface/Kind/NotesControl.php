<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface\Kind;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Surface\Hand;
use NimbleJunction\Core\Surface\Shown;

/** Notes for whoever stands there. */
final readonly class NotesControl extends Showing
{
    public function __construct(public string $notes = '')
    {
    }

    public static function kind(): string
    {
        return 'notes';
    }

    public static function label(): string
    {
        return 'Notes';
    }

    public static function fields(): array
    {
        return [Field::text('notes', 'Notes', '', 4000)];
    }

    public function others(): array
    {
        return [];
    }

    public function shown(Hand $hand): Shown
    {
        return new Shown([], $this->notes);
    }
}
