<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Field;

/** A run of slots, all at one level. */
final readonly class LevelSpan extends Span
{
    public function __construct(int $first, int $last, public int $level)
    {
        parent::__construct($first, $last);
    }

    public static function label(): string
    {
        return 'Level span';
    }

    public static function fields(): array
    {
        return [...parent::fields(), Field::whole('level', 'Level', 0, 255)];
    }

    public function number(): int
    {
        return $this->level;
    }
}
