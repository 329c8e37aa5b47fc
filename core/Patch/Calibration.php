<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;

/**
 * How a moving fixture hangs: what makes it move as the others do (turned round, exchanged, shifted), and the rectangle
 * that it never leaves. Offsets and limits are in the units of its pan and its tilt.
 */
final readonly class Calibration implements Part, Checked
{
    private const FAR = 1e6;

    /** @param float|null $panLow null for as far as it goes */
    public function __construct(
        public bool $panInverted = false,
        public bool $tiltInverted = false,
        public bool $swapped = false,
        public float $panOffset = 0.0,
        public float $tiltOffset = 0.0,
        public ?float $panLow = null,
        public ?float $panHigh = null,
        public ?float $tiltLow = null,
        public ?float $tiltHigh = null,
    ) {
    }

    public static function label(): string
    {
        return 'Calibration';
    }

    public static function fields(): array
    {
        $limit = static fn(string $name, string $label): Field => Field::number(
            $name,
            $label,
            -self::FAR,
            self::FAR,
            null,
            false,
        );

        return [
            Field::flag('panInverted', 'Pan turned round', false),
            Field::flag('tiltInverted', 'Tilt turned round', false),
            Field::flag('swapped', 'Pan and tilt exchanged', false),
            Field::number('panOffset', 'Pan offset', -self::FAR, self::FAR, 0.0),
            Field::number('tiltOffset', 'Tilt offset', -self::FAR, self::FAR, 0.0),
            $limit('panLow', 'Pan never below'),
            $limit('panHigh', 'Pan never above'),
            $limit('tiltLow', 'Tilt never below'),
            $limit('tiltHigh', 'Tilt never above'),
        ];
    }

    public function check(Fields $fields): void
    {
        foreach ([
            'pan' => [$this->panLow, $this->panHigh],
            'tilt' => [$this->tiltLow, $this->tiltHigh],
        ] as $name => [$low, $high]) {
            if ($low !== null && $high !== null && $low >= $high) {
                $fields->fault("{$name}High", "it is {$high}, and it is never below {$low}", 'It is above where it begins.');
            }
        }
    }

    public function isNone(): bool
    {
        return $this == new self();
    }
}
