<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Pixels\Layout;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Pixels\Layout;
use NimbleJunction\Core\Pixels\PixelMap;

/** One strip. */
final readonly class Line implements Layout
{
    public function __construct(public int $count, public bool $upright, public bool $backwards)
    {
    }

    public static function kind(): string
    {
        return 'line';
    }

    public static function label(): string
    {
        return 'Line';
    }

    public static function fields(): array
    {
        return [
            Field::whole('count', 'Pixels', 1, PixelMap::MOST, 60),
            Field::flag('upright', 'Upright', false),
            Field::flag('backwards', 'From the right, or from below', false),
        ];
    }

    public function count(): int
    {
        return $this->count;
    }

    public function places(): array
    {
        return array_map(function (int $step): array {
            $along = (float) ($this->backwards ? $this->count - 1 - $step : $step);

            return $this->upright ? [0.0, $along] : [$along, 0.0];
        }, range(0, $this->count - 1));
    }
}
