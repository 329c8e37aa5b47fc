<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Route\Occurred;

/** Tracks side by side over time: it is played, jumped in, looped, or follows time code. */
final readonly class Timeline implements Part, Checked
{
    public const MOST = 200;

    /** A day, in seconds; as many beats. */
    public const LONGEST = 86_400.0;

    private const MOST_TRACKS = 500;
    private const UNITS = ['seconds', 'beats'];
    private const ENDS = ['hold', 'release'];

    public Score $score;

    /**
     * @param string $folder '' for none
     * @param string $unit seconds, or beats of a tempo
     * @param string $tempo id, where it goes by beats; '' for the first one
     * @param float $length in its unit; 0 for as far as its last track goes
     * @param string $end hold: levels stay where they are at its end; release: they go
     * @param string $group '' for none; of a group one plays at a time
     * @param string $timecode id of the time code that it follows; '' for none
     * @param string $startsAt time code at which it is at its beginning
     * @param list<Track> $tracks
     * @param list<Marker> $markers
     * @param list<Take> $takes
     * @param list<TempoChange> $changes its own tempo map; none for the tempo alone
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $folder = '',
        public string $unit = 'seconds',
        public string $tempo = '',
        public float $length = 0.0,
        public bool $loop = false,
        public string $end = 'hold',
        public ?int $priority = null,
        public string $group = '',
        public string $timecode = '',
        public string $startsAt = '00:00:00:00',
        public array $tracks = [],
        public array $markers = [],
        public string $note = '',
        public array $takes = [],
        public array $changes = [],
    ) {
        $this->score = new Score($this);
    }

    public static function label(): string
    {
        return 'Timeline';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name(),
            Field::textOrNone('folder', 'Folder', 60),
            Field::word('unit', 'It goes by', self::UNITS, 'seconds')->called([
                'seconds' => 'seconds',
                'beats' => 'beats of a tempo',
            ]),
            (new Id('tempo', 'Tempo; empty for the first one', 'tempo', false))->shownFor('unit', 'beats'),
            Field::number('length', 'Length; 0 for as far as its tracks go', 0.0, self::LONGEST, 0.0),
            Field::flag('loop', 'At its end it begins again', false),
            Field::word('end', 'At its end levels', self::ENDS, 'hold')->called([
                'hold' => 'stay where they are',
                'release' => 'go, to what is there without it',
            ]),
            (new Id('timecode', 'Follows time code; empty for none', 'timecode', false)),
            Field::pattern('startsAt', 'Time code at its beginning', TimecodeEntry::PATTERN, TimecodeEntry::RULE, false),
            Field::objects('changes', 'Tempo map', TempoChange::class, TempoChange::MOST)
                ->meaning(
                    'Where its tempo and its bars change. By seconds it says where beats are; by beats it says how fast they go, and the tempo above does not.',
                ),
            Field::textOrNone('group', 'Group of which one plays at a time', 60)->rare(),
            Field::whole('priority', 'Priority; empty to join whoever is in control', 0, 200, null, false)->rare(),
            Field::objects('tracks', 'Tracks', Track::class, self::MOST_TRACKS),
            Field::objects('markers', 'Markers', Marker::class, 1000),
            Field::textOrNone('note', 'Note', 1000)->rare(),
            Field::objects('takes', 'Takes', Take::class, Take::MOST),
        ];
    }

    public function check(Fields $fields): void
    {
        foreach (['tracks' => $this->tracks, 'markers' => $this->markers, 'takes' => $this->takes] as $list => $parts) {
            $known = [];
            foreach ($parts as $i => $part) {
                if (isset($known[$part->id])) {
                    $fields->fault(
                        "{$list}/{$i}/id",
                        "\"{$part->id}\" is used twice",
                        'Every one of a timeline has an id of its own.',
                    );
                }
                $known[$part->id] = true;
            }
        }
        $places = array_map(static fn(TempoChange $one): string => (string) $one->at, $this->changes);
        foreach (array_diff_key($places, array_unique($places)) as $i => $at) {
            $fields->fault(
                "changes/{$i}/at",
                "there is another change at {$at}",
                'At one place the tempo changes once: put it elsewhere, or delete one of them.',
            );
        }
        if ($this->timecode !== '' && $this->unit === 'beats') {
            $fields->fault(
                'timecode',
                'it goes by beats',
                'What follows time code goes by seconds: choose those, or let it follow none.',
            );
        }
    }

    /** @return TempoMap|null null where its tempo does not change */
    public function tempoMap(): ?TempoMap
    {
        return $this->changes === [] ? null : new TempoMap($this->changes, $this->unit === 'beats');
    }

    /** An id that no route of a show can have: its parts are parted by dots. */
    public function routeId(Track $track, string $item = ''): string
    {
        return "timeline.{$this->id}.{$track->id}".($item === '' ? '' : ".{$item}");
    }

    /** What happens when it comes to a moment. */
    public function reached(Track $track, Moment $moment): Occurred
    {
        return new Occurred(
            "reached {$this->id} {$track->id} {$moment->id}",
            ['at' => $moment->at, 'point' => "timeline:{$this->id}"],
        );
    }
}
