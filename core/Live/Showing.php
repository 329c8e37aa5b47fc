<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Route\Route;

/** What the control of one route shows now, and when it may be told something else. */
final class Showing
{
    /** Time without a message from the control after which no hand is on it. Our own choice. */
    public const HAND_RESTS_NANOS = 300_000_000;

    /** @var string|null bytes of the message that it shows; null where that is not known */
    public ?string $shown = null;
    public ?float $value = null;
    /** The value of the point that it was told of last; null where it knows nothing yet. */
    public ?float $told = null;
    public ?int $heardAt = null;
    public ?int $sentAt = null;

    /** How often it has sent back what it was told. */
    public int $echoes = 0;

    /** Rises with every change of what it shows. */
    public int $changes = 0;

    public function __construct(public readonly Route $route)
    {
    }

    public function show(?string $bytes, ?float $value): void
    {
        $this->changes += (int) ($bytes !== $this->shown);
        $this->shown = $bytes;
        $this->value = $value;
    }

    /** When it may be told: not while a hand is on it, and not too often. */
    public function mayBeToldAt(int $now): int
    {
        $gap = (int) round(($this->route->back?->gap() ?? 0.0) * 1e9);

        return max(
            $now,
            $this->heardAt === null ? $now : $this->heardAt + self::HAND_RESTS_NANOS,
            $this->sentAt === null ? $now : $this->sentAt + $gap,
        );
    }
}
