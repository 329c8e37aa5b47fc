<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Furnishing;

use NimbleJunction\Core\Message\AgreedNote;
use NimbleJunction\Core\Message\MidiControl;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Timeline\Kind\LevelTrack;
use NimbleJunction\Core\Timeline\Kind\NoteTrack;
use NimbleJunction\Core\Timeline\Kind\TriggerTrack;
use NimbleJunction\Core\Timeline\PlayedNote;
use NimbleJunction\Core\Timeline\Shape;
use NimbleJunction\Core\Timeline\Timeline;
use NimbleJunction\Core\Wire\MidiFile\Division;
use NimbleJunction\Core\Wire\MidiFile\Event;
use NimbleJunction\Core\Wire\MidiFile\File;
use NimbleJunction\Core\Wire\MidiFile\Track;

/**
 * A timeline as a Standard MIDI File of format 1: tempos, time signatures and markers, then a track for each of notes, of triggers, and of
 * levels that are controllers. A trigger is the note that was agreed for its name; where none was, it is a cue point with that name.
 */
final readonly class MidiExport
{
    private const CUE_POINT = 0x07;

    /** How long a trigger is as a note, in the timeline's unit. */
    private const TRIGGER = 0.1;
    private const VELOCITY = 100;

    /** So many values of a line stand in a second, or in a beat: ANSI E1.11 (DMX512-A), 44 frames a second (from memory). */
    private const A_SECOND = 44;

    /** And so many from one of its points to the next. Our own limit. */
    private const MOST = 20_000;

    private MidiTicks $ticks;

    public function __construct(private Show $show, private Timeline $timeline)
    {
        $this->ticks = new MidiTicks($show, $timeline);
    }

    public function bytes(): string
    {
        $tracks = [$this->head()];
        foreach ($this->timeline->tracks as $track) {
            $does = $track->does;
            $events = match (true) {
                $does instanceof NoteTrack => $this->notes($does),
                $does instanceof TriggerTrack => $this->triggers($does),
                $does instanceof LevelTrack => $this->controls($does),
                default => [],
            };
            if ($events !== []) {
                $tracks[] = self::track($track->name, $events);
            }
        }

        return (new File(1, Division::perQuarter(MidiTicks::TICKS), $tracks))->encode();
    }

    private function head(): Track
    {
        $events = $this->ticks->events();
        foreach ($this->timeline->markers as $marker) {
            $events[] = [$this->tick($marker->at), Event::meta(0, Event::MARKER, $marker->name)];
        }

        return self::track($this->timeline->name, $events);
    }

    /** @return list<array{int, Event}> */
    private function notes(NoteTrack $track): array
    {
        return array_merge(...array_map(
            fn(PlayedNote $one): array => $this->note($one->at, $one->long, $track->channel, $one->note, $one->velocity),
            $track->notes,
        ));
    }

    /** @return list<array{int, Event}> */
    private function triggers(TriggerTrack $track): array
    {
        $events = [];
        foreach ($track->triggers as $one) {
            $agreed = $this->agreed($one->name);
            array_push($events, ...($agreed === null
                ? [[$this->tick($one->at), Event::meta(0, self::CUE_POINT, $one->name === '' ? 'Trigger' : $one->name)]]
                : $this->note($one->at, self::TRIGGER, $agreed->channel ?? 1, $agreed->note, self::VELOCITY)));
        }

        return $events;
    }

    /**
     * A line of a controller, as often as it becomes another value, and at most as often as lines are played.
     *
     * @return list<array{int, Event}>
     */
    private function controls(LevelTrack $track): array
    {
        $control = $track->point?->kind === 'midi' ? MidiControl::parse($track->point->part) : null;
        if ($control === null) {
            return [];
        }
        $events = [];
        $before = null;
        foreach ($track->line->knots as $i => $knot) {
            $next = $track->line->knots[$i + 1]->at ?? $knot->at;
            $steps = $knot->to === Shape::Step ? 1 : max(1, min(self::MOST, (int) ceil(($next - $knot->at) * self::A_SECOND)));
            for ($step = 0; $step < $steps; ++$step) {
                $at = $knot->at + ($next - $knot->at) * $step / $steps;
                $bytes = $control->message($track->line->at($at) ?? 0.0)->encode();
                if ($bytes !== $before) {
                    $events[] = [$this->tick($at), Event::channel(0, $bytes)];
                }
                $before = $bytes;
            }
        }

        return $events;
    }

    private function agreed(string $name): ?AgreedNote
    {
        foreach ($name === '' ? [] : $this->show->notes as $note) {
            if ($note->name === $name) {
                return $note;
            }
        }

        return null;
    }

    /** @return list<array{int, Event}> its end and its begin */
    private function note(float $at, float $long, int $channel, int $note, int $velocity): array
    {
        $begins = $this->tick($at);

        return [
            [max($begins + 1, $this->tick($at + $long)), Event::channel(0, \chr(0x80 | $channel - 1).\chr($note)."\x40")],
            [$begins, Event::channel(0, \chr(0x90 | $channel - 1).\chr($note).\chr($velocity))],
        ];
    }

    private function tick(float $at): int
    {
        return $this->ticks->at($at);
    }

    /** @param list<array{int, Event}> $events in any order; what ends comes before what begins at the same tick */
    private static function track(string $name, array $events): Track
    {
        $places = array_keys($events);
        usort(
            $places,
            static fn(int $a, int $b): int => [
                $events[$a][0],
                self::rank($events[$a][1]),
                $a,
            ] <=> [$events[$b][0], self::rank($events[$b][1]), $b],
        );
        $done = [Event::meta(0, Event::TRACK_NAME, $name)];
        $tick = 0;
        foreach ($places as $place) {
            [$at, $event] = $events[$place];
            $done[] = $event->after($at - $tick);
            $tick = $at;
        }

        return new Track([...$done, Event::meta(0, Event::END_OF_TRACK)]);
    }

    private static function rank(Event $event): int
    {
        return (\ord($event->bytes[0] ?? "\0") & 0xF0) === 0x80 ? 0 : 1;
    }
}
