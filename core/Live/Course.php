<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;

/** A value that a route gives, and that goes on by itself: it fades in, stays for a while, and ends. */
final class Course
{
    /**
     * @param float $from where it begins
     * @param float|null $to where it goes; null for what is there without it: it ends there
     * @param int $begin when, on the junction's clock
     * @param float $seconds that it takes
     * @param int $endsAt when it ends by itself, on the junction's clock; PHP_INT_MAX for not
     * @param float $out seconds that it takes to end then
     */
    public function __construct(
        public readonly Reference $reference,
        public readonly Act $act,
        public readonly float $from,
        public readonly ?float $to,
        public readonly int $begin,
        public readonly float $seconds,
        public readonly int $endsAt = \PHP_INT_MAX,
        public readonly float $out = 0.0,
    ) {
    }

    public function key(): string
    {
        return self::keyOf($this->act->owner, $this->reference);
    }

    public static function keyOf(string $owner, Reference $reference): string
    {
        return "{$owner}\n{$reference->text()}";
    }

    /** The same, once it is there. */
    public function staying(): self
    {
        return new self(
            $this->reference,
            $this->act,
            $this->to ?? $this->from,
            $this->to,
            $this->begin,
            0.0,
            $this->endsAt,
            $this->out,
        );
    }

    /** @return float 0 to 1: how far it is */
    public function share(int $now): float
    {
        return $this->seconds <= 0.0 ? 1.0 : max(0.0, min(1.0, ($now - $this->begin) / ($this->seconds * 1e9)));
    }
}
