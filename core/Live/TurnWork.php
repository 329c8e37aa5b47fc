<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

/** How much one turn may do, and how deep routes may call each other in it. Our own limits. */
final class TurnWork
{
    public const DEEPEST = 16;
    public const MOST_EFFECTS = 2000;

    private const RULE = 'routes that call each other go '.self::DEEPEST.' deep, and do '.self::MOST_EFFECTS.' things in one turn';

    private int $effects = 0;

    public function begin(): void
    {
        $this->effects = 0;
    }

    /**
     * Something more is to be done.
     *
     * @return string|null null where it may be done; otherwise why not, and '' where that has been said in this turn
     */
    public function refusal(int $depth): ?string
    {
        ++$this->effects;

        return match (true) {
            $depth < self::DEEPEST && $this->effects <= self::MOST_EFFECTS => null,
            $depth >= self::DEEPEST || $this->effects === self::MOST_EFFECTS + 1 => self::RULE,
            default => '',
        };
    }
}
