<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme\Follow;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Programme\Follow;
use NimbleJunction\Core\Programme\Times;
use NimbleJunction\Core\Route\Template;

/** When the cue is complete, or so many seconds later. */
final readonly class CompleteFollow implements Follow
{
    public function __construct(public float $seconds = 0.0)
    {
    }

    public static function kind(): string
    {
        return 'complete';
    }

    public static function label(): string
    {
        return 'When it is complete';
    }

    public static function fields(): array
    {
        return [Field::number('seconds', 'Seconds later', 0.0, Times::LONGEST, 0.0)];
    }

    public function after(int $longest): int
    {
        return $longest + (int) round($this->seconds * 1e9);
    }

    public function words(): string
    {
        return 'the next one goes '.($this->seconds > 0.0 ? Template::number($this->seconds).' s after' : 'when').' it is complete';
    }
}
