<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Document;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;

/** A part that no show has, with a field of most types. */
final readonly class SamplePart implements Part
{
    /** @param list<SampleSpan> $rows */
    public function __construct(
        public string $name,
        public string $mood,
        public ?SampleSpan $inner,
        public array $rows,
        public int|string|null $size = null,
    ) {
    }

    public static function label(): string
    {
        return 'Sample part';
    }

    public static function fields(): array
    {
        return [
            Field::name(),
            Field::whole('size', 'Size', 1, 9, null, false)->only('name', '', 'A'),
            Field::text('size', 'Size', null, 9)->only('name', 'B'),
            Field::word('mood', 'Mood', ['calm', 'bright'], 'calm')->meaning('what it is like'),
            Field::object('inner', 'Inner', SampleSpan::class, false),
            Field::objects('rows', 'Rows', SampleSpan::class, 3),
        ];
    }
}
