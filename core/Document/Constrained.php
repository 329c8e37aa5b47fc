<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document;

/** A part of which the schema can say more than its fields do. */
interface Constrained
{
    /** @return array<string, mixed> keywords of JSON Schema beside its properties */
    public static function constraint(): array;
}
