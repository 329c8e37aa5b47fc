<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Point\Reference;

/** A point has another value. */
final readonly class PointChanged implements Event
{
    public function __construct(
        public Reference $reference,
        public int|float|string|null $value,
        public int|float|string|null $before,
    ) {
    }

    public function keys(): array
    {
        return [self::key($this->reference)];
    }

    public static function key(Reference $reference): string
    {
        return "*point {$reference->text()}";
    }

    public function fields(): array
    {
        return ['point' => $this->reference->text()];
    }
}
