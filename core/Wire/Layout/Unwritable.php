<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Layout;

/** Something that a format cannot say: which field, what is wrong, what is allowed. */
final class Unwritable extends \InvalidArgumentException
{
    private function __construct(public readonly string $field, string $problem)
    {
        parent::__construct("{$field}: {$problem}");
    }

    public static function field(string $field, mixed $value, string $allowed): self
    {
        $was = $value === null ? 'it is missing' : 'it is '.json_encode(
            $value,
            \JSON_PARTIAL_OUTPUT_ON_ERROR | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE,
        );

        return new self($field, "{$was}; {$allowed}");
    }

    /** @param list<string> $known */
    public static function unknown(string $field, array $known): self
    {
        return new self($field, 'this field is not known here; known are '.implode(', ', $known));
    }
}
