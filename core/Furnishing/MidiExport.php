<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Furnishing;

use NimbleJunction\Core\Message\AgreedNote;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Timeline\Kind\NoteTrack;
use NimbleJunction\Core\Timeline\Kind\TriggerTrack;
use NimbleJunction\Core\Timeline\PlayedNote;
use NimbleJunction\Core\Timeline\Timeline;
use NimbleJunction\Core\Wire\MidiFile\Division;
use NimbleJunction\Core\Wire\MidiFile\Event;
use NimbleJunction\Core\Wire\MidiFile\File;
use NimbleJunction\Core\Wire\MidiFile\TempoMap;
use NimbleJunction\Core\Wire\MidiFile\Track;

/**
 * A timeline as a Standard MIDI File of format 1: a tempo and markers, then a track for each of notes, and for each of
 * triggers. A trigger is the note that was agreed for its name; where none was, it is a cue point with that name.
 */
final readonly class MidiExport
{
    private const TICKS = 960;
    private const CUE_POINT = 0x07;

    /** How long a trigger is as a note, in the timeline's unit. */
    private const TRIGGER = 0.1;
    private const VELOCITY = 100;

    public function __construct(private Show $show, private Timeline $timeline)
    {
    }

    public function bytes(): string
    {
        $tracks = [$this->head()];
        foreach ($this->timeline->tracks as $track) {
            $does = $track->does;
            $events = match (true) {
                $does instanceof NoteTrack => $this->notes($does),
                $does instanceof TriggerTrack => $this->triggers($does),
                default => [],
            };
            if ($events !== []) {
                $tracks[] = self::track($track->name, $events);
            }
        }

        return (new File(1, Division::perQuarter(self::TICKS), $tracks))->encode();
    }

    private function head(): Track
    {
        $events = [[0, Event::tempo(0, $this->micros())]];
        foreach ($this->timeline->markers as $marker) {
            $events[] = [$this->tick($marker->at), Event::meta(0, Event::MARKER, $marker->name)];
        }

        return self::track($this->timeline->name, $events);
    }

    /** @return list<array{int, Event}> */
    private function notes(NoteTrack $track): array
    {
        return array_merge(...array_map(fn(PlayedNote $one): array => $this->note($one->at, $one->long, $track->channel, $one->note, $one->velocity), $track->notes));
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
        $beats = $this->timeline->unit === 'beats' ? $at : $at * 1e6 / $this->micros();

        return (int) round($beats * self::TICKS);
    }

    /** Microseconds a quarter note. */
    private function micros(): int
    {
        $tempo = $this->show->tempos[$this->timeline->tempo] ?? array_values($this->show->tempos)[0] ?? null;

        return $tempo === null || $this->timeline->unit !== 'beats' ? TempoMap::USUAL_MICROS : (int) round(60e6 / max(4.0, $tempo->start));
    }

    /** @param list<array{int, Event}> $events in any order; what ends comes before what begins at the same tick */
    private static function track(string $name, array $events): Track
    {
        $places = array_keys($events);
        usort($places, static fn(int $a, int $b): int => [$events[$a][0], self::rank($events[$a][1]), $a] <=> [$events[$b][0], self::rank($events[$b][1]), $b]);
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
