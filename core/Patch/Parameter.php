<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\WholeList;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Signal\Frame;

/** One thing about a fixture that can be set: it takes one slot, or two to four for a finer value. */
final readonly class Parameter implements Part, Checked
{
    public const WIDEST = 4;

    /** Slots, 1 to 4: 8 to 32 bits, the coarsest first. */
    public int $width;

    /** Highest takes precedence for intensity, latest for everything else (common practice, no source). */
    public bool $isIntensity;

    /**
     * @param int|null $slots 1 to 4; null for as many as are named
     * @param list<int> $at its slots within the fixture, from 1, the coarsest first; none for the next ones that are free
     */
    public function __construct(public string $name, ?int $slots = 1, bool $intensity = false, public array $at = [])
    {
        $this->width = $slots ?? max(1, \count($at));
        $this->isIntensity = $intensity;
    }

    public static function label(): string
    {
        return 'Parameter';
    }

    public static function fields(): array
    {
        return [
            Field::name('Parameter', 60),
            Field::whole('slots', 'Slots', 1, self::WIDEST, null, false)->meaning(
                'How many slots it takes, the coarsest first; without it, as many as are named.',
            ),
            new WholeList('at', 'At slots, if apart', self::WIDEST, 1, Frame::SLOTS),
            Field::flag('intensity', 'Intensity', false)->meaning(
                'Highest takes precedence for intensity, the latest for everything else.',
            ),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->at !== [] && $this->width !== \count($this->at)) {
            $fields->fault('at', \count($this->at)." slots are named, and it takes {$this->width}", 'Name as many slots as it takes, the coarsest first.');
        }
    }

    /**
     * @param float $value 0 to 1
     *
     * @return list<int> level of each slot, the coarsest first
     */
    public function levels(float $value): array
    {
        $whole = (int) round(max(0.0, min(1.0, $value)) * (256 ** $this->width - 1));
        $levels = [];
        for ($slot = $this->width - 1; $slot >= 0; --$slot) {
            $levels[] = $whole >> 8 * $slot & 255;
        }

        return $levels;
    }
}
