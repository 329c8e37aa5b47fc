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

    /** @var string what points call it: its id, or its name where it has none */
    public string $key;

    /** Slots, 1 to 4: 8 to 32 bits, the coarsest first. */
    public int $width;

    public ParameterKind $kind;

    /** The values of a device between which it goes, in as many bits as it has: what 0 % is and what 100 % is. */
    public int $from;
    public int $to;

    /** The value that it has while nobody gives it one. */
    public int $default;

    /** The value at which it does no harm: what it is out of every macro, effect and strobe. */
    public int $safe;

    /**
     * @param int|null $slots 1 to 4; null for as many as are named
     * @param list<int> $at its slots within the fixture, from 1, the coarsest first; none for the next ones that are free
     * @param bool $intensity an older word for its kind
     * @param bool $neverDriven whether nothing may reach it unless it is unlocked for once: a reset, a choice of mode
     * @param bool $inverted whether 0 % is its highest value
     * @param string $unit that it is said in, with what it is at both ends
     * @param list<float> $physical at the first and the last value, in its unit
     * @param list<NamedRange> $ranges
     */
    public function __construct(
        public string $name,
        ?int $slots = 1,
        bool $intensity = false,
        public array $at = [],
        public string $id = '',
        public ?Role $role = null,
        ?ParameterKind $kind = null,
        public Precedence $precedence = Precedence::ByKind,
        ?int $default = null,
        ?int $safe = null,
        public bool $neverDriven = false,
        ?int $from = null,
        ?int $to = null,
        public bool $inverted = false,
        public string $unit = '%',
        public array $physical = [0.0, 100.0],
        public array $ranges = [],
    ) {
        $this->key = $id === '' ? $name : $id;
        $this->width = $slots ?? max(1, \count($at));
        $this->kind = $kind ?? ($intensity ? ParameterKind::Intensity : $role?->kind() ?? ParameterKind::Other);
        $this->from = $from ?? 0;
        $this->to = $to ?? $this->highest();
        $this->default = $default ?? 0;
        $this->safe = $safe ?? $this->default;
    }

    public static function label(): string
    {
        return 'Parameter';
    }

    public static function fields(): array
    {
        $value = static fn(string $name, string $label, string $meaning): Field => Field::whole(
            $name,
            $label,
            0,
            NamedRange::HIGHEST,
            null,
            false,
        )
            ->meaning($meaning);

        return [
            Field::name('Parameter', 60),
            Field::textOrNone('id', 'Called by points', 60)->meaning(
                'What points call it where that is not its name: it may be renamed then.',
            ),
            Field::whole('slots', 'Slots', 1, self::WIDEST, null, false)->meaning(
                'How many slots it takes, the coarsest first; without it, as many as are named.',
            ),
            new WholeList('at', 'At slots, if apart', self::WIDEST, 1, Frame::SLOTS),
            Field::choiceOrNone('role', 'What it does', Role::class),
            Field::choiceOrNone('kind', 'Kind', ParameterKind::class)->meaning('Without it, what its role is of, or other.'),
            Field::flag('intensity', 'Intensity', false)->meaning('Its kind is intensity.')->older(),
            Field::choice('precedence', 'Merges by', Precedence::class, Precedence::ByKind)->called(Precedence::TITLES),
            $value('default', 'Default', 'Its value while nobody gives it one, in as many bits as it has.'),
            $value('safe', 'Safe value', 'Where it does no harm; without it, its default.'),
            Field::flag('neverDriven', 'Never driven', false)->meaning(
                'It leaves at its default, whatever is sent, unless it is unlocked for once: reset, choice of mode.',
            ),
            $value('from', 'From value', 'What 0 % is on the device, where that is not 0: 1 where 0 means no change.'),
            $value('to', 'To value', 'What 100 % is on the device, where that is not the highest.'),
            Field::flag('inverted', 'Inverted', false)->meaning('0 % is its highest value.'),
            Field::text('unit', 'Unit', '%', 12)->meaning('%, °, K, Hz, rpm.'),
            Field::numbers('physical', 'From and to, in that unit', -1e6, 1e6, [0.0, 100.0]),
            Field::objects('ranges', 'Named ranges', NamedRange::class, 256),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->at !== [] && $this->width !== \count($this->at)) {
            $fields->fault(
                'at',
                \count($this->at)." slots are named, and it takes {$this->width}",
                'Name as many slots as it takes, the coarsest first.',
            );
        }
        $highest = $this->highest();
        foreach ([
            'default' => $this->default,
            'safe' => $this->safe,
            'from' => $this->from,
            'to' => $this->to,
        ] as $field => $value) {
            if ($value > $highest) {
                $fields->fault($field, "it is {$value}", "In {$this->width} slots it goes from 0 to {$highest}.");
            }
        }
        if ($this->from >= $this->to) {
            $fields->fault(
                'to',
                "it is {$this->to}, and it begins at {$this->from}",
                'It ends above where it begins; to turn it round, say that it is inverted.',
            );
        }
        if ($this->physical[0] === $this->physical[1]) {
            $fields->fault(
                'physical',
                'both ends are the same',
                'Give what it is at its first and at its last value, like -270 and 270.',
            );
        }
        foreach ($this->ranges as $i => $range) {
            if ($range->last > $highest) {
                $fields->fault(
                    "ranges/{$i}/last",
                    "it is {$range->last}",
                    "In {$this->width} slots it goes from 0 to {$highest}.",
                );
            }
        }
    }

    /** @return int the highest value that its slots can hold */
    public function highest(): int
    {
        return 256 ** $this->width - 1;
    }

    /**
     * @param float $share 0 to 1, from its first value to its last
     *
     * @return int in as many bits as it has
     */
    public function value(float $share): int
    {
        $share = max(0.0, min(1.0, $share));

        return $this->from + (int) round(($this->inverted ? 1 - $share : $share) * ($this->to - $this->from));
    }

    /** @return float 0 to 1: how far a value is on its way from the first to the last */
    public function share(int $value): float
    {
        $share = (max($this->from, min($this->to, $value)) - $this->from) / ($this->to - $this->from);

        return $this->inverted ? 1 - $share : $share;
    }

    /** @return array{float, float} the lowest and the highest that it can be, in its unit */
    public function ends(): array
    {
        [$first, $last] = $this->physical;

        return [min($first, $last), max($first, $last)];
    }

    /** @return float in its unit */
    public function inUnit(float $share): float
    {
        return $this->physical[0] + $share * ($this->physical[1] - $this->physical[0]);
    }

    /** @param float $physical in its unit */
    public function shareOf(float $physical): float
    {
        return ($physical - $this->physical[0]) / ($this->physical[1] - $this->physical[0]);
    }

    /** @return list<array{float, float, string}> from, to, name: both in the parameter's unit */
    public function namedRanges(): array
    {
        return array_map(
            fn(NamedRange $range): array => [
                $this->inUnit($this->share($range->first)),
                $this->inUnit($this->share($range->last)),
                $range->name,
            ],
            $this->ranges,
        );
    }

    public function rangeAt(int $value): ?NamedRange
    {
        foreach ($this->ranges as $range) {
            if ($range->holds($value)) {
                return $range;
            }
        }

        return null;
    }

    /**
     * @param float $share 0 to 1
     *
     * @return list<int> level of each slot, the coarsest first
     */
    public function levels(float $share): array
    {
        return $this->slots($this->value($share));
    }

    /** @return list<int> level of each slot at a value, the coarsest first */
    public function slots(int $value): array
    {
        $levels = [];
        for ($slot = $this->width - 1; $slot >= 0; --$slot) {
            $levels[] = $value >> 8 * $slot & 255;
        }

        return $levels;
    }
}
