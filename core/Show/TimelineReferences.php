<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Timeline\Kind\ClipTrack;
use NimbleJunction\Core\Timeline\Kind\LevelTrack;
use NimbleJunction\Core\Timeline\Kind\NoteTrack;
use NimbleJunction\Core\Timeline\TimecodeEntry;
use NimbleJunction\Core\Timeline\Timeline;

/** Whether what timelines and time codes name is there. */
final readonly class TimelineReferences
{
    private const SAY_TIMES = [Protocol::Midi, Protocol::ArtNet, Protocol::Osc];

    public function __construct(private Show $show)
    {
    }

    /** @return list<Fault> */
    public function of(Timeline $timeline, string $path): array
    {
        $faults = [];
        if ($timeline->tempo !== '' && ! isset($this->show->tempos[$timeline->tempo])) {
            $faults[] = $this->missing("{$path}/tempo", 'tempo', $timeline->tempo, array_keys($this->show->tempos));
        } elseif ($timeline->unit === 'beats' && $timeline->changes === [] && $this->show->tempos === []) {
            $faults[] = new Fault(
                "{$path}/unit",
                'there is no tempo yet',
                'Add a tempo first, give it a tempo map, or let it go by seconds.',
            );
        }
        if ($timeline->timecode !== '' && ! isset($this->show->timecodes[$timeline->timecode])) {
            $faults[] = $this->missing("{$path}/timecode", 'time code', $timeline->timecode, array_keys($this->show->timecodes));
        }
        foreach ($timeline->tracks as $i => $track) {
            $point = $track->does instanceof LevelTrack ? $track->does->point : null;
            if ($point !== null && ! PointNames::isThere($this->show, $point)) {
                $faults[] = new Fault(
                    "{$path}/tracks/{$i}/does/point",
                    "there is no point \"{$point->text()}\"",
                    Reference::RULE,
                );
            }
            if ($point?->kind === 'timeline') {
                $faults[] = new Fault(
                    "{$path}/tracks/{$i}/does/point",
                    'it is a timeline',
                    'A level moves other points; let a trigger start a timeline.',
                );
            }
            if ($track->does instanceof NoteTrack) {
                array_push($faults, ...$this->ofNotes($track->does, "{$path}/tracks/{$i}/does/port"));

                continue;
            }
            if ($track->does instanceof ClipTrack) {
                array_push($faults, ...$this->ofClips($track->does, $timeline, "{$path}/tracks/{$i}/does/clips"));

                continue;
            }
            foreach ($track->does?->moments() ?? [] as $k => $moment) {
                foreach ($moment->do as $n => $action) {
                    array_push(
                        $faults,
                        ...(new RouteReferences($this->show))->ofPart($action, "{$path}/tracks/{$i}/does/triggers/{$k}/do/{$n}"),
                    );
                }
            }
        }
        foreach ($timeline->takes as $i => $take) {
            foreach ($take->lanes as $k => $lane) {
                if ($lane->point !== null && ! PointNames::isThere($this->show, $lane->point)) {
                    $faults[] = new Fault(
                        "{$path}/takes/{$i}/lanes/{$k}/point",
                        "there is no point \"{$lane->point->text()}\"",
                        Reference::RULE,
                    );
                }
            }
        }

        return $faults;
    }

    /** @return list<Fault> */
    private function ofClips(ClipTrack $track, Timeline $timeline, string $path): array
    {
        $faults = [];
        foreach ($track->clips as $i => $clip) {
            if ($clip->plays === null) {
                continue;
            }
            if (! PointNames::isThere($this->show, $clip->plays)) {
                $faults[] = new Fault("{$path}/{$i}/plays", "there is no point \"{$clip->plays->text()}\"", Reference::RULE);
            } elseif ($clip->plays->kind === 'timeline') {
                $other = $this->show->timelines[$clip->plays->id];
                if ($other->unit !== $timeline->unit) {
                    $faults[] = new Fault(
                        "{$path}/{$i}/plays",
                        "it goes by {$other->unit}, and this one by {$timeline->unit}",
                        'Let both go by the same.',
                    );
                } elseif ($this->holds($other, $timeline->id, [])) {
                    $faults[] = new Fault(
                        "{$path}/{$i}/plays",
                        'it is this timeline, or has it within',
                        'A timeline cannot be a clip of itself.',
                    );
                }
            }
        }

        return $faults;
    }

    /** @param array<string, true> $seen */
    private function holds(Timeline $timeline, string $id, array $seen): bool
    {
        if ($timeline->id === $id || isset($seen[$timeline->id])) {
            return $timeline->id === $id;
        }
        $seen[$timeline->id] = true;
        foreach ($timeline->tracks as $track) {
            foreach ($track->does instanceof ClipTrack ? $track->does->timelines() : [] as $clip) {
                $other = $this->show->timelines[$clip->plays->id ?? ''] ?? null;
                if ($other !== null && $this->holds($other, $id, $seen)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return list<Fault> */
    private function ofNotes(NoteTrack $track, string $path): array
    {
        $port = $this->show->ports[$track->port] ?? null;

        return $track->port === '' || ($port?->send !== null && $port->protocol === Protocol::Midi)
            ? []
            : [new Fault($path, "\"{$track->port}\" is no MIDI port that sends", 'Name the id of a MIDI port that sends.')];
    }

    /** @return list<Fault> */
    public function ofTimecode(TimecodeEntry $timecode, string $path): array
    {
        $faults = [];
        foreach ($timecode->from as $i => $id) {
            $port = $this->show->ports[$id] ?? null;
            if ($port?->receive === null || ! \in_array($port->protocol, self::SAY_TIMES, true)) {
                $faults[] = new Fault(
                    "{$path}/from/{$i}",
                    "\"{$id}\" is no port that receives time code",
                    'Name the id of a MIDI, an Art-Net or an OSC port that receives.',
                );
            }
        }

        foreach ($timecode->sends as $i => $id) {
            $port = $this->show->ports[$id] ?? null;
            if ($port?->send === null || ! \in_array($port->protocol, self::SAY_TIMES, true)) {
                $faults[] = new Fault(
                    "{$path}/sends/{$i}",
                    "\"{$id}\" is no port that sends time code",
                    'Name the id of a MIDI, an Art-Net or an OSC port that sends.',
                );
            }
        }

        return $faults;
    }

    /** @param list<int|string> $known */
    private function missing(string $path, string $what, string $id, array $known): Fault
    {
        $names = implode(', ', \array_slice($known, 0, 12)) ?: 'none yet';

        return new Fault($path, "there is no {$what} \"{$id}\"", "There are: {$names}.");
    }
}
