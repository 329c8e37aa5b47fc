<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;

/** What two people have agreed that a note means: wherever it is shown, that stands beside it. */
final readonly class AgreedNote implements Part
{
    /**
     * @param int $note 0 to 127
     * @param int|null $channel 1 to 16; null for any
     */
    public function __construct(public string $id, public string $name, public int $note, public ?int $channel = null)
    {
    }

    public static function label(): string
    {
        return 'Note';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name('What it means'),
            Field::whole('note', 'Note, 0 to 127', 0, 127),
            Field::whole('channel', 'Channel, 1 to 16; empty for any', 1, 16, null, false),
        ];
    }
}
