<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Field;

/** A run of slots, all with one priority; 0 says that they are not sent. */
final readonly class PrioritySpan extends Span
{
    public function __construct(int $first, int $last, public int $priority)
    {
        parent::__construct($first, $last);
    }

    public static function label(): string
    {
        return 'Priority span';
    }

    public static function fields(): array
    {
        return [...parent::fields(), Field::whole('priority', 'Priority', 0, 200)];
    }

    public function number(): int
    {
        return $this->priority;
    }
}
