<?php

declare(strict_types=1);

namespace NimbleJunction\Bench;

/** One figure of a measurement: what, how much, and what was aimed at. */
final readonly class Line
{
    /** @param bool|null $met null where nothing was aimed at */
    private function __construct(public string $what, public string $figure, public string $aim, public ?bool $met)
    {
    }

    public static function atMost(string $what, float $figure, float $aim, string $unit): self
    {
        return new self($what, self::spell($figure).$unit, 'at most '.self::spell($aim).$unit, $figure <= $aim);
    }

    public static function atLeast(string $what, float $figure, float $aim, string $unit): self
    {
        return new self($what, self::spell($figure).$unit, 'at least '.self::spell($aim).$unit, $figure >= $aim);
    }

    public static function only(string $what, float $figure, string $unit): self
    {
        return new self($what, self::spell($figure).$unit, '', null);
    }

    private static function spell(float $figure): string
    {
        $digits = match (true) {
            abs($figure) >= 100 || floor($figure) === $figure => 0,
            abs($figure) >= 10 => 1,
            default => 2,
        };

        return number_format($figure, $digits, '.', ' ');
    }
}
