<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Pixels\Layout;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Pixels\Layout;
use NimbleJunction\Core\Pixels\PixelMap;

/** A strip that closes to a ring: its pixels as far from one another as in a line. */
final readonly class Ring implements Layout
{
    /** @param float $start degrees from the top, clockwise, as seen from the front */
    public function __construct(public int $count, public float $start, public bool $anticlockwise)
    {
    }

    public static function kind(): string
    {
        return 'ring';
    }

    public static function label(): string
    {
        return 'Ring';
    }

    public static function fields(): array
    {
        return [
            Field::whole('count', 'Pixels', 2, PixelMap::MOST, 24),
            Field::number('start', 'First one at (°, from the top)', 0.0, 360.0, 0.0),
            Field::flag('anticlockwise', 'Anticlockwise', false),
        ];
    }

    public function count(): int
    {
        return $this->count;
    }

    public function places(): array
    {
        $radius = 0.5 / sin(\M_PI / $this->count);
        $turn = ($this->anticlockwise ? -2 : 2) * \M_PI / $this->count;

        return array_map(function (int $step) use ($radius, $turn): array {
            $angle = deg2rad($this->start) + $step * $turn;

            return [$radius + $radius * sin($angle), $radius - $radius * cos($angle)];
        }, range(0, $this->count - 1));
    }
}
