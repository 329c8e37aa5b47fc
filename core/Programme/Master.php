<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Ids;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Universe\Curve;

/** Scales intensities, and nothing else. */
final readonly class Master implements Part, Checked
{
    public const MOST = 200;

    /** No master of a show is called so: it is there always. */
    public const BLACKOUT = 'blackout';

    private const CURVES = ['linear', 'square', 'logarithmic'];

    /**
     * @param list<string> $lists ids
     * @param list<string> $looks ids
     * @param list<string> $universes ids
     * @param list<string> $groups ids
     * @param list<string> $fixtures ids
     * @param float $low per cent that it leaves at 0
     * @param float $high per cent that it leaves at 100
     * @param float $start its level at the start and after a reset, 0 to 100
     * @param float $time seconds that it takes to zero, to full and to its start
     * @param list<string> $linked ids of masters that are set with it
     * @param string $note '' for none
     */
    public function __construct(
        public string $id,
        public string $name,
        public Over $over = Over::All,
        public array $lists = [],
        public array $looks = [],
        public array $universes = [],
        public array $groups = [],
        public array $fixtures = [],
        public string $curve = 'linear',
        public float $low = 0.0,
        public float $high = 100.0,
        public float $start = 100.0,
        public float $time = 0.0,
        public array $linked = [],
        public string $note = '',
    ) {
    }

    public static function label(): string
    {
        return 'Master';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name(),
            Field::choice('over', 'Over', Over::class, Over::All)->called(Over::TITLES)
                ->meaning('Looks and lists are scaled before they are merged with desks; everything else as it leaves.'),
            (new Ids('lists', 'Lists', 'cue-list', CueList::MOST))->shownFor('over', Over::Lists->value),
            (new Ids('looks', 'Looks', 'look', Look::MOST))->shownFor('over', Over::Looks->value),
            (new Ids('universes', 'Universes', 'universe', 1024))->shownFor('over', Over::Universes->value),
            (new Ids('groups', 'Groups', 'group', 500))->shownFor('over', Over::Groups->value),
            (new Ids('fixtures', 'Fixtures', 'fixture', 5000))->shownFor('over', Over::Fixtures->value),
            Field::word('curve', 'Curve', self::CURVES, 'linear'),
            Field::number('low', 'Minimum (%)', 0.0, 100.0, 0.0)->meaning('What it leaves of a light at 0.'),
            Field::number('high', 'Maximum (%)', 0.0, 100.0, 100.0)->meaning('What it leaves of a light at 100.'),
            Field::number('start', 'At the start, and after a reset (%)', 0.0, 100.0, 100.0),
            Field::number('time', 'Time to zero, full and reset (s)', 0.0, Times::LONGEST, 0.0),
            (new Ids('linked', 'Sets with it', 'master', self::MOST))->rare(),
            Field::textOrNone('note', 'Note', 1000)->rare(),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->id === self::BLACKOUT) {
            $fields->fault('id', 'it is "blackout"', 'Blackout is there always: give this one another id.');
        }
        if ($this->low > $this->high) {
            $fields->fault(
                'high',
                'it is '.self::percent($this->high).', and the minimum is '.self::percent($this->low),
                'The maximum lies above the minimum.',
            );
        }
        if (! \in_array($this->over, [Over::All, Over::Programme], true) && $this->chosen() === []) {
            $fields->fault($this->over->value, 'there is none', 'Choose what it is over.');
        }
    }

    /** @return list<string> ids of what it is over, where that is chosen */
    public function chosen(): array
    {
        return match ($this->over) {
            Over::All, Over::Programme => [],
            Over::Lists => $this->lists,
            Over::Looks => $this->looks,
            Over::Universes => $this->universes,
            Over::Groups => $this->groups,
            Over::Fixtures => $this->fixtures,
        };
    }

    /**
     * What it leaves of a light: minimum + (maximum − minimum) × curve(level).
     *
     * @param float $level 0 to 100
     *
     * @return float 0 to 1
     */
    public function share(float $level): float
    {
        $way = Curve::from($this->curve)->apply(max(0.0, min(1.0, $level / 100)));

        return ($this->low + ($this->high - $this->low) * $way) / 100;
    }

    private static function percent(float $level): string
    {
        return round($level, 2).' %';
    }
}
