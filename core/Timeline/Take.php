<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;

/** One pass of points moved by hand, kept beside the tracks: it is laid on them, as often as somebody wants it. */
final readonly class Take implements Part
{
    public const MOST = 200;
    private const MOST_LANES = 500;

    /** @param list<TakeLane> $lanes of one point there may be several: it was let go in between */
    public function __construct(public string $id, public string $name, public array $lanes = [], public string $note = '')
    {
    }

    public static function label(): string
    {
        return 'Take';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name('Name', 60),
            Field::objects('lanes', 'What its points did', TakeLane::class, self::MOST_LANES),
            Field::textOrNone('note', 'Note', 300)->rare(),
        ];
    }
}
