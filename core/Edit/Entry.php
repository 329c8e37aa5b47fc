<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Edit;

/**
 * One part of a show with its place: entries of a list stand in the order of their places, and of their ids where these are
 * the same.
 */
final readonly class Entry
{
    /** @param array<mixed> $part as it stands in the document, with its fields in their order */
    public function __construct(public int $place, public array $part)
    {
    }

    /** @return array{int, array<mixed>} for JSON */
    public function toArray(): array
    {
        return [$this->place, $this->part];
    }

    /** @throws \UnexpectedValueException */
    public static function fromArray(mixed $stored): ?self
    {
        if ($stored === null) {
            return null;
        }
        if (! \is_array($stored) || ! \is_int($stored[0] ?? null) || ! \is_array($stored[1] ?? null)) {
            throw new \UnexpectedValueException('An entry is a place and a part.');
        }

        return new self($stored[0], $stored[1]);
    }

    public static function areSame(?self $one, ?self $other): bool
    {
        return $one === $other || ($one?->place === $other?->place && $one?->part === $other?->part);
    }
}
