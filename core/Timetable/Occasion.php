<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timetable;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\TextList;
use NimbleJunction\Core\Document\Field\Words;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Route\Action;

/** Something that happens by itself: at a moment of the day, on given days. */
final readonly class Occasion implements Part, Checked
{
    public const MOST = 1000;
    public const DAYS = [
        'mon' => 'Monday',
        'tue' => 'Tuesday',
        'wed' => 'Wednesday',
        'thu' => 'Thursday',
        'fri' => 'Friday',
        'sat' => 'Saturday',
        'sun' => 'Sunday',
    ];
    private const MISSED = ['skip' => 'it is left out', 'do' => 'it is made up for'];
    private const DATE = '#^\d{4}-\d\d-\d\d$#D';
    private const DATES = '#^\d{4}-\d\d-\d\d(?:/\d{4}-\d\d-\d\d)?$#D';
    private const DATE_RULE = 'Use a date like 2026-12-24.';

    /** So many days it is looked ahead: every weekday of every season is among them. */
    private const LOOKS_AHEAD = 800;

    /**
     * @param DayMoment|null $when null where the document has none, which is refused
     * @param list<string> $days of the week; none for every day
     * @param string $from first date, like 2026-12-24; '' for none
     * @param string $until last date; '' for none
     * @param list<string> $except dates on which it does not happen, or spans of them: 2026-12-24/2027-01-01
     * @param list<Action> $do
     * @param string $missed what becomes of it when nothing ran at its moment: skip or do
     * @param float $within hours in which it is made up for
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $folder = '',
        public bool $enabled = true,
        public ?DayMoment $when = null,
        public array $days = [],
        public string $from = '',
        public string $until = '',
        public array $except = [],
        public array $do = [],
        public string $missed = 'skip',
        public float $within = 12.0,
        public string $note = '',
    ) {
    }

    public static function label(): string
    {
        return 'Occasion';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name(),
            Field::textOrNone('folder', 'Folder', 60),
            Field::flag('enabled', 'It happens', true),
            Field::part('when', 'When', 'dayMoment'),
            (new Words('days', 'On; none for every day', array_keys(self::DAYS), self::DAYS)),
            Field::pattern('from', 'First date; empty for none', self::DATE, self::DATE_RULE, false),
            Field::pattern('until', 'Last date; empty for none', self::DATE, self::DATE_RULE, false),
            (new TextList('except', 'Not on these dates', 400, 30))->meaning(
                'Dates, or spans of dates with a slash between: 2026-12-24/2027-01-01.',
            ),
            Field::parts('do', 'It does', 'action'),
            Field::word(
                'missed',
                'When nothing ran at its moment, as in a power cut',
                array_keys(self::MISSED),
                'skip',
            )->called(self::MISSED),
            Field::number('within', 'Hours in which it is made up for', 0.01, 168.0, 12.0)->shownFor('missed', 'do'),
            Field::textOrNone('note', 'Note', 1000)->rare(),
        ];
    }

    public function check(Fields $fields): void
    {
        foreach (['from' => $this->from, 'until' => $this->until] as $name => $date) {
            if ($date !== '' && ! self::isDate($date)) {
                $fields->fault($name, "there is no {$date}", self::DATE_RULE);
            }
        }
        if ($this->from !== '' && $this->until !== '' && $this->until < $this->from) {
            $fields->fault('until', "it is before {$this->from}", 'Let the last date be the first one, or later.');
        }
        foreach ($this->except as $i => $span) {
            [$first, $last] = self::span($span);
            if (preg_match(self::DATES, $span) !== 1 || ! self::isDate($first) || ! self::isDate($last) || $last < $first) {
                $fields->fault(
                    "except/{$i}",
                    "\"{$span}\" is no date",
                    'Use a date like 2026-12-24, or a span like 2026-12-24/2027-01-01.',
                );
            }
        }
    }

    /**
     * @param int $after seconds since 1970
     *
     * @return int|null when it happens next, in seconds since 1970; null for never
     */
    public function next(int $after, \DateTimeZone $zone): ?int
    {
        $day = (new \DateTimeImmutable("@{$after}"))->setTimezone($zone)->setTime(0, 0)->modify('-1 day');
        for ($ahead = 0; $ahead < self::LOOKS_AHEAD; ++$ahead) {
            $at = $this->isOn($day) ? $this->when?->on($day) : null;
            if ($at !== null && $at > $after) {
                return $at;
            }
            if ($this->until !== '' && $day->format('Y-m-d') > $this->until) {
                return null;
            }
            $day = $day->modify('+1 day');
        }

        return null;
    }

    /** In words: "at 19:30, Monday and Friday, from 2026-12-01". */
    public function words(): string
    {
        $days = array_map(static fn(string $day): string => self::DAYS[$day], $this->days);
        $parts = [
            $this->when?->words() ?? '',
            $days === [] || \count($days) === \count(self::DAYS) ? 'every day' : implode(', ', $days),
            $this->from === '' ? '' : "from {$this->from}",
            $this->until === '' ? '' : "until {$this->until}",
            $this->except === []
                ? ''
                : 'not on '.implode(', ', \array_slice($this->except, 0, 3)).(\count($this->except) > 3 ? ' and more' : ''),
        ];

        return implode(', ', array_filter($parts, static fn(string $part): bool => $part !== ''));
    }

    private function isOn(\DateTimeImmutable $day): bool
    {
        $date = $day->format('Y-m-d');
        foreach ($this->except as $span) {
            [$first, $last] = self::span($span);
            if ($date >= $first && $date <= $last) {
                return false;
            }
        }
        $isInSeason = ($this->from === '' || $date >= $this->from) && ($this->until === '' || $date <= $this->until);

        return $isInSeason && ($this->days === [] || \in_array(strtolower($day->format('D')), $this->days, true));
    }

    /** @return array{string, string} first and last date */
    private static function span(string $text): array
    {
        $dates = explode('/', $text);

        return [$dates[0], $dates[1] ?? $dates[0]];
    }

    private static function isDate(string $text): bool
    {
        $parts = array_map(intval(...), explode('-', $text));

        return \count($parts) === 3 && checkdate($parts[1], $parts[2], $parts[0]);
    }
}
