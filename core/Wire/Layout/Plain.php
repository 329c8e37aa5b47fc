<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Layout;

/** Values out of JSON, as formats need them; what does not fit is said with its field. */
final class Plain
{
    /** @throws Unwritable */
    public static function whole(mixed $value, string $field, int $lowest, int $highest): int
    {
        return \is_int($value) && $value >= $lowest && $value <= $highest
            ? $value
            : throw Unwritable::field($field, $value, "use a whole number from {$lowest} to {$highest}");
    }

    /**
     * Bytes from hexadecimal.
     *
     * @throws Unwritable
     */
    public static function bytes(mixed $value, string $field): string
    {
        return \is_string($value) && \strlen($value) % 2 === 0 && ($value === '' || ctype_xdigit($value))
            ? (string) hex2bin($value)
            : throw Unwritable::field($field, $value, 'use bytes in hexadecimal, two digits each');
    }
}
