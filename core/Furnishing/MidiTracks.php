<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Furnishing;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Message\Note;
use NimbleJunction\Core\Message\Pitch;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Timeline\Timeline;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\MidiFile\Event;
use NimbleJunction\Core\Wire\MidiFile\EventKind;
use NimbleJunction\Core\Wire\MidiFile\File;
use NimbleJunction\Core\Wire\MidiFile\TempoMap;
use NimbleJunction\Core\Wire\MidiFile\Track;

/**
 * Notes of a Standard MIDI File as triggers of a timeline: named as it was agreed, each pressing the routes that a note of
 * that kind sets off when it arrives. Markers of the file become markers.
 */
final readonly class MidiTracks
{
    private const MOST = 10_000;
    private const CUE_POINT = 0x07;

    private TempoMap $map;
    private File $file;

    /**
     * @param bool $inBeats whether times are quarter notes, and not seconds
     *
     * @throws ShowRefused
     */
    public function __construct(string $bytes, private Show $show, private bool $inBeats)
    {
        try {
            $this->file = File::decode($bytes);
        } catch (Malformed $malformed) {
            throw ShowRefused::because([new Fault('', "this is no MIDI file: {$malformed->getMessage()}", 'Choose a Standard MIDI File of format 0 or 1, as sequencers export them.')]);
        }
        if ($inBeats && $this->file->division->framesPerSecond !== null) {
            throw ShowRefused::because([new Fault('', 'the file counts frames, and the timeline beats', 'Let the timeline go by seconds, or export the file by ticks a quarter note.')]);
        }
        $this->map = $this->file->tempoMap();
    }

    /**
     * @return list<array<string, mixed>> a track of triggers for each of the file that has notes
     *
     * @throws ShowRefused
     */
    public function tracks(): array
    {
        $tracks = [];
        foreach ($this->file->tracks as $i => $track) {
            $triggers = $this->triggers($track);
            if (\count($triggers) > self::MOST) {
                throw ShowRefused::because([new Fault('', 'a track of it has '.\count($triggers).' notes', 'A track of a timeline has at most '.self::MOST.' triggers.')]);
            }
            if ($triggers !== []) {
                $tracks[] = ['name' => mb_substr(self::name($track) ?: 'MIDI '.($i + 1), 0, 60), 'does' => ['kind' => 'triggers', 'triggers' => $triggers]];
            }
        }

        return $tracks;
    }

    /** @return list<array{at: float, name: string}> */
    public function markers(): array
    {
        $markers = [];
        foreach ($this->file->tracks as $track) {
            $tick = 0;
            foreach ($track->events as $event) {
                $tick += $event->delta;
                $name = $event->isMeta(Event::MARKER) || $event->isMeta(self::CUE_POINT) ? self::text($event) : '';
                if ($name !== '') {
                    $markers[] = ['at' => $this->at($tick), 'name' => $name];
                }
            }
        }

        return $markers;
    }

    /** @return list<array<string, mixed>> */
    private function triggers(Track $track): array
    {
        $triggers = $known = [];
        $tick = 0;
        foreach ($track->events as $event) {
            $tick += $event->delta;
            $status = $event->kind === EventKind::Channel ? \ord($event->bytes[0]) : 0;
            // A note-on of velocity 0 is a note-off (MIDI 1.0 Detailed Specification, from memory).
            if (($status & 0xF0) !== 0x90 || \ord($event->bytes[2]) === 0) {
                continue;
            }
            $channel = ($status & 15) + 1;
            $note = \ord($event->bytes[1]);
            // Of thousands of notes most are the same ones.
            $known[$event->bytes] ??= $this->listening(new Note($channel, $note, \ord($event->bytes[2])));
            $agreed = trim($this->show->agreed()->of($note, $channel), ' "');
            $triggers[] = [
                'id' => 'n'.(\count($triggers) + 1),
                'at' => $this->at($tick),
                'name' => mb_substr($agreed === '' ? Pitch::name($note, $this->show->middleC) : $agreed, 0, 60),
                'do' => array_map(static fn(string $route): array => ['kind' => 'press', 'point' => "route:{$route}"], $known[$event->bytes]),
            ];
        }

        return $triggers;
    }

    /** @return list<string> ids of routes that such a note sets off, at whatever port they wait for it */
    private function listening(Note $note): array
    {
        $ids = [];
        foreach ($this->show->routes as $id => $entry) {
            foreach ($entry->route->triggers ?? [] as $trigger) {
                $port = ((array) $trigger)['port'] ?? null;
                $event = \is_string($port) ? new Heard($port, $note) : null;
                if ($event !== null && array_intersect($trigger->keys(), $event->keys()) !== [] && $trigger->take($event) instanceof Taken) {
                    $ids[(string) $id] = true;
                }
            }
        }

        return array_map(strval(...), array_keys($ids));
    }

    private function at(int $tick): float
    {
        $at = $this->inBeats ? $tick / $this->file->division->ticks : $this->map->nanosAt($tick) / 1e9;

        return min(Timeline::LONGEST, round($at, 4));
    }

    private static function name(Track $track): string
    {
        foreach ($track->events as $event) {
            if ($event->isMeta(Event::TRACK_NAME)) {
                return self::text($event);
            }
        }

        return '';
    }

    private static function text(Event $event): string
    {
        $text = mb_check_encoding($event->bytes, 'UTF-8') ? $event->bytes : mb_convert_encoding($event->bytes, 'UTF-8', 'ISO-8859-1');

        return mb_substr(trim((string) preg_replace('/\p{C}+/u', ' ', (string) $text)), 0, 60);
    }
}
