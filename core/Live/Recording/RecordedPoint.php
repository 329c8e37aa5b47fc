<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Recording;

use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\Reference;

/** A point that is armed: whether somebody has it in hand, and what it did. */
final class RecordedPoint
{
    /** That far from where its line has it, as a share of its range, somebody else has moved it. Our own choice. */
    private const OFF_LINE = 0.01;

    /** When it was touched last, on the engine's clock and on the timeline; null while it was not. */
    public ?int $touchedAt = null;
    public float $touchedPlace = 0.0;
    public ?RecordedSpan $open = null;

    /** @var list<RecordedSpan> of this pass */
    public array $spans = [];
    private bool $isTold = false;
    private ?float $seen = null;

    public function __construct(public readonly Reference $reference, public readonly Point $point)
    {
    }

    /** Somebody sets it. */
    public function tell(): void
    {
        $this->isTold = true;
    }

    /**
     * @param float|null $given what its line gives now; null where it has none
     * @param \Closure(): bool $isInHand asked where it has moved
     */
    public function look(float $value, ?float $given, float $place, \Closure $isInHand, int $now): void
    {
        $isOff = $given === null || abs($value - $given) > self::OFF_LINE * ($this->point->high - $this->point->low);
        $hasMoved = $this->seen !== null && $value !== $this->seen;
        if ($this->isTold || ($hasMoved && $isOff && $isInHand())) {
            $this->touchedAt = $now;
            $this->touchedPlace = $place;
        }
        $this->isTold = false;
        $this->seen = $value;
    }

    public function close(float $at): void
    {
        if ($this->open !== null) {
            $this->open->end($at);
            $this->spans[] = $this->open;
            $this->open = null;
        }
    }
}
