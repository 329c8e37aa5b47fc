<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Foresight;

use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Programme\Gathering;
use NimbleJunction\Core\Programme\Lane;
use NimbleJunction\Core\Universe\AsIf;

/** What would become of one point. There may be ten thousand of them: words and units are made for those that are looked at. */
final readonly class Foreseen
{
    /**
     * @param string $point as text
     * @param int|float|string|null $now of a lane what stands in its slots, else the point's value; null where it has none
     * @param int|float|string $then the same when it has come, with what people hold, before masters over all that leaves, and curves
     * @param int|float|string|null $wanted what the look or the cue says; null where it lets go of it
     * @param AsIf|null $asIf the universe of a lane as it would be
     */
    public function __construct(
        public string $point,
        private int|float|string|null $now,
        private int|float|string $then,
        private int|float|string|null $wanted,
        private ?Lane $lane = null,
        private ?AsIf $asIf = null,
    ) {
    }

    public function reference(): ?Reference
    {
        return Reference::parse($this->point);
    }

    /** Whether it would be otherwise than it is. */
    public function isMoving(): bool
    {
        return ! self::areAlike($this->now, $this->then);
    }

    /** Whether it would have what the look or the cue says; what that lets go of has nothing that it could miss. */
    public function isAsWanted(): bool
    {
        return $this->wanted === null || self::areAlike($this->then, $this->wanted);
    }

    /** In the point's own unit. */
    public function now(): int|float|string|null
    {
        return $this->said($this->now);
    }

    /** In the point's own unit. */
    public function then(): int|float|string|null
    {
        return $this->said($this->then);
    }

    /** In the point's own unit. */
    public function wanted(): int|float|string|null
    {
        return $this->said($this->wanted);
    }

    /** Who would give it, and why; '' for a point that is simply set. */
    public function why(): string
    {
        return $this->lane === null ? '' : $this->asIf?->explain($this->lane->slots[0]) ?? '';
    }

    private static function areAlike(int|float|string|null $a, int|float|string|null $b): bool
    {
        return is_numeric($a) && is_numeric($b) ? (float) $a === (float) $b : $a === $b;
    }

    private function said(int|float|string|null $value): int|float|string|null
    {
        return \is_int($value) && $this->lane?->parameter !== null ? Gathering::exact($this->lane->parameter, $value) : $value;
    }
}
