<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme\Follow;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Programme\Follow;
use NimbleJunction\Core\Programme\Times;
use NimbleJunction\Core\Route\Template;

/** So many seconds after its go. */
final readonly class AfterFollow implements Follow
{
    public function __construct(public float $seconds)
    {
    }

    public static function kind(): string
    {
        return 'after';
    }

    public static function label(): string
    {
        return 'A time after its go';
    }

    public static function fields(): array
    {
        return [Field::number('seconds', 'Seconds', 0.0, Times::LONGEST)];
    }

    public function after(int $longest): int
    {
        return (int) round($this->seconds * 1e9);
    }

    public function words(): string
    {
        return 'the next one goes '.Template::number($this->seconds).' s after its go';
    }
}
