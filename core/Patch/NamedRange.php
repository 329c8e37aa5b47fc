<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;

/** A run of values of a parameter that means something: "strobe, slow to fast" from 17 to 131, which is 0.5 to 25 Hz. */
final readonly class NamedRange implements Part, Checked
{
    /** Values that a parameter of four slots may have. */
    public const HIGHEST = 4_294_967_295;

    public int $last;

    /**
     * @param int $first lowest value, in as many bits as its parameter has
     * @param int|null $last highest value; null for the first alone
     * @param list<float> $physical what it is at both ends, in its unit
     * @param string $unit '' where it is no measure, only a name
     * @param string $colour of a wheel's place, "#rrggbb"; '' for none
     */
    public function __construct(
        public string $name,
        public int $first,
        ?int $last = null,
        public string $unit = '',
        public array $physical = [0.0, 100.0],
        public string $colour = '',
    ) {
        $this->last = $last ?? $first;
    }

    public static function label(): string
    {
        return 'Named range';
    }

    public static function fields(): array
    {
        return [
            Field::name('What it does', 80),
            Field::whole('first', 'From', 0, self::HIGHEST)->meaning('Lowest value, in as many bits as the parameter has.'),
            Field::whole('last', 'To', 0, self::HIGHEST, null, false)->atLeast('first'),
            Field::textOrNone('unit', 'Unit', 12)->meaning('Hz, °, K, %, rpm; without one it is a name and no measure.'),
            Field::numbers('physical', 'From and to, in that unit', -1e6, 1e6, [0.0, 100.0]),
            Field::pattern('colour', 'Colour, #rrggbb', '#^\\#[0-9a-fA-F]{6}$#D', 'Use a colour like #ff8800.', false),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->last < $this->first) {
            $fields->fault('last', "it is below {$this->first}", 'A range ends where it begins, or above.');
        }
    }

    public function holds(int $value): bool
    {
        return $value >= $this->first && $value <= $this->last;
    }

    /** @param float $physical in its unit; kept between both ends */
    public function value(float $physical): int
    {
        [$low, $high] = $this->physical;
        $share = $low === $high ? 0.0 : max(0.0, min(1.0, ($physical - $low) / ($high - $low)));

        return $this->first + (int) round($share * ($this->last - $this->first));
    }

    /** @return float in its unit */
    public function physical(int $value): float
    {
        [$low, $high] = $this->physical;
        $share = $this->last === $this->first ? 0.0 : ($value - $this->first) / ($this->last - $this->first);

        return $low + $share * ($high - $low);
    }
}
