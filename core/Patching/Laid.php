<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patching;

/** A fixture as it is to be: one that is there, with other fields, or a new one. */
final readonly class Laid
{
    /**
     * @param string $id of the one that is there; '' for a new one
     * @param string $like id of the one that a new one is a clone of; '' for none
     * @param array<string, mixed> $fields as the show document has them
     */
    private function __construct(public string $id, public string $like, public array $fields)
    {
    }

    /** @param array<string, mixed> $fields that are otherwise */
    public static function changed(string $id, array $fields): self
    {
        return new self($id, '', $fields);
    }

    /** @param array<string, mixed> $fields */
    public static function new(array $fields): self
    {
        return new self('', '', $fields);
    }

    /** @param array<string, mixed> $fields that are otherwise than with the one it is like */
    public static function clone(string $like, array $fields): self
    {
        return new self('', $like, $fields);
    }
}
