<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Scope;

use NimbleJunction\Core\Signal\Message;

/** An address that somebody who learns may have meant: how often it came, and how far its numbers moved. */
final class Candidate
{
    private const MOST_ARGUMENTS = 8;

    /** What came oftener than this and never moved is no button: it comes by itself. */
    private const SELDOM = 4;

    /** What had moved before anybody asked counts for less. */
    private const BEFORE = 0.3;

    public int $count = 0;

    /** @var array<int, array{low: float, high: float}> by place, from 1 */
    public array $moved = [];

    /** @var array<int, Movement> by place, from 1 */
    private array $movements = [];

    /** @param bool $isAsked whether somebody learned already when it came first */
    public function __construct(public Message $last, public int $at, private bool $isAsked = true)
    {
    }

    /** @param bool $isAsked whether somebody learns now */
    public function heard(Message $message, int $now, bool $isAsked = true): void
    {
        ++$this->count;
        $this->last = $message;
        $this->at = $now;
        $this->isAsked = $this->isAsked || $isAsked;
        for ($place = 1; $place <= self::MOST_ARGUMENTS; ++$place) {
            $number = $message->number($place);
            if ($number !== null) {
                $movement = $this->movements[$place] ??= new Movement((float) $number);
                $movement->heard((float) $number);
                $this->moved[$place] = ['low' => $movement->low, 'high' => $movement->high];
            }
        }
    }

    /** @return int the argument that moved most, from 1 */
    public function argument(): int
    {
        $best = 1;
        foreach ($this->movements as $place => $movement) {
            $isBetter = $movement->score() > ($this->movements[$best] ?? null)?->score();
            $best = $isBetter || ! isset($this->movements[$best]) ? $place : $best;
        }

        return $best;
    }

    /** @return float how likely it is what was meant: 0 to 1 */
    public function score(): float
    {
        $moved = max([0.0, ...array_map(static fn(Movement $one): float => $one->score(), array_values($this->movements))]);
        $isStill = $moved <= 0.0;
        $score = match (true) {
            $isStill && $this->count <= self::SELDOM => 1.0,
            $isStill => 1 / $this->count,
            default => $moved,
        };

        return $this->isAsked ? $score : $score * self::BEFORE;
    }
}
