<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Wording;

/** The coarse or the fine half of a value that is sent in two. */
final readonly class PartStep implements Step
{
    public function __construct(public string $half, public int $bits)
    {
    }

    public static function kind(): string
    {
        return 'part';
    }

    public static function label(): string
    {
        return 'One half of a value in two';
    }

    public static function fields(): array
    {
        return [
            Field::word('half', 'Half', ['coarse', 'fine'], 'coarse'),
            Field::whole('bits', 'Bits of a half: 7 for MIDI, 8 for DMX', 7, 8, 7),
        ];
    }

    public function apply(float $value, Passing $passing): float
    {
        $size = 1 << $this->bits;
        $whole = (int) max(0, min($size * $size - 1, round($value)));

        return (float) ($this->half === 'coarse' ? intdiv($whole, $size) : $whole % $size);
    }

    public function words(Wording $wording): string
    {
        return "the {$this->half} half, of {$this->bits} bits";
    }
}
