<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Furnishing;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Message\MidiControl;
use NimbleJunction\Core\Message\Note;
use NimbleJunction\Core\Message\Pitch;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Timeline\Kind\LevelTrack;
use NimbleJunction\Core\Wire\MidiFile\Track;

/**
 * Notes of a Standard MIDI File on tracks of a timeline: as triggers, named as it was agreed, each pressing the routes that a
 * note of that kind sets off when it arrives; or as notes that are played again, with what controllers say besides.
 */
final readonly class MidiTracks
{
    private const MOST = 10_000;
    private const LONGEST_NAME = 60;

    /** A note of no length would never be heard: a hundredth, of a second or a beat. */
    private const SHORTEST = 0.01;

    public function __construct(private MidiSource $source, private Show $show)
    {
    }

    /**
     * @return list<array<string, mixed>> a track of triggers for each of the file that has notes
     *
     * @throws ShowRefused
     */
    public function triggers(): array
    {
        return $this->tracks(
            fn(Track $track): array => [['kind' => 'triggers', 'triggers' => $this->triggersOf($track)]],
            'triggers',
        );
    }

    /**
     * @param string $port id of the one at which they are played; '' for none yet
     *
     * @return list<array<string, mixed>> a track of notes for each channel of each of the file that has notes
     *
     * @throws ShowRefused
     */
    public function notes(string $port): array
    {
        return $this->tracks(function (Track $track) use ($port): array {
            $does = [];
            foreach ($this->notesOf($track) as $channel => $notes) {
                $does[] = [
                    'kind' => 'notes',
                    ...($port === '' ? [] : ['port' => $port]),
                    'channel' => $channel,
                    'notes' => $notes,
                ];
            }

            return $does;
        }, 'notes');
    }

    /**
     * Controllers, pitch bend and pressure: each of a channel of a track of the file is a level, that stands until the next value.
     *
     * @param string $port id of the one that they are sent to; '' for none yet
     *
     * @return list<array<string, mixed>>
     *
     * @throws ShowRefused
     */
    public function controls(string $port): array
    {
        $tracks = [];
        foreach ($this->source->file->tracks as $i => $track) {
            $name = MidiSource::name($track) ?: 'MIDI '.($i + 1);
            foreach ($this->linesOf($track) as $part => $knots) {
                if (\count($knots) > LevelTrack::MOST) {
                    throw ShowRefused::because([new Fault(
                        '',
                        'a controller of it has '.\count($knots).' values',
                        'A level of a timeline has at most '.LevelTrack::MOST.' points.',
                    )]);
                }
                $said = MidiControl::parse((string) $part)?->said() ?? '';
                $does = ['kind' => 'levels', ...($port === '' ? [] : ['point' => "midi:{$port}/{$part}"]), 'knots' => $knots];
                $tracks[] = ['name' => mb_substr("{$name}, {$said}", 0, self::LONGEST_NAME), 'does' => $does];
            }
        }

        return $tracks;
    }

    /**
     * @return array<string, non-empty-list<array{at: float, value: int, to: string}>> by controller, like "1/7"; what is said
     * again is left out
     */
    private function linesOf(Track $track): array
    {
        $lines = [];
        foreach (MidiSource::messages($track) as [$tick, $bytes]) {
            [$control, $value] = MidiControl::heard($bytes) ?? [null, 0];
            $part = $control?->part() ?? '';
            $last = isset($lines[$part]) ? $lines[$part][\count($lines[$part]) - 1]['value'] : null;
            if ($control !== null && $value !== $last) {
                $lines[$part][] = ['at' => $this->source->at($tick), 'value' => $value, 'to' => 'step'];
            }
        }

        return $lines;
    }

    /**
     * @param \Closure(Track): list<array<string, mixed>> $of
     *
     * @return list<array<string, mixed>>
     */
    private function tracks(\Closure $of, string $list): array
    {
        $tracks = [];
        foreach ($this->source->file->tracks as $i => $track) {
            foreach ($of($track) as $does) {
                $count = \is_array($does[$list] ?? null) ? \count($does[$list]) : 0;
                if ($count > self::MOST) {
                    throw ShowRefused::because([new Fault(
                        '',
                        "a track of it has {$count} notes",
                        'A track of a timeline has at most '.self::MOST.' of them.',
                    )]);
                }
                if ($count > 0) {
                    $tracks[] = ['name' => MidiSource::name($track) ?: 'MIDI '.($i + 1), 'does' => $does];
                }
            }
        }

        return $tracks;
    }

    /** @return list<array<string, mixed>> */
    private function triggersOf(Track $track): array
    {
        $triggers = $known = [];
        foreach (MidiSource::messages($track) as [$tick, $bytes]) {
            // A note-on of velocity 0 is a note-off (MIDI 1.0 Detailed Specification, from memory).
            if ((\ord($bytes[0]) & 0xF0) !== 0x90 || \ord($bytes[2]) === 0) {
                continue;
            }
            $channel = (\ord($bytes[0]) & 15) + 1;
            $note = \ord($bytes[1]);
            // Of thousands of notes most are the same ones.
            $known[$bytes] ??= $this->listening(new Note($channel, $note, \ord($bytes[2])));
            $agreed = trim($this->show->agreed()->of($note, $channel), ' "');
            $triggers[] = [
                'id' => 'n'.(\count($triggers) + 1),
                'at' => $this->source->at($tick),
                'name' => mb_substr($agreed === '' ? Pitch::name($note, $this->show->middleC) : $agreed, 0, 60),
                'do' => array_map(
                    static fn(string $route): array => ['kind' => 'press', 'point' => "route:{$route}"],
                    $known[$bytes],
                ),
            ];
        }

        return $triggers;
    }

    /** @return array<int, list<array<string, int|float|string>>> by channel; one that never ends is as long as the shortest */
    private function notesOf(Track $track): array
    {
        /** @var list<array{int, float, int, int, float}> $found channel, when, note, velocity, how long */
        $found = $open = [];
        foreach (MidiSource::messages($track) as [$tick, $bytes]) {
            $kind = \ord($bytes[0]) & 0xF0;
            if ($kind !== 0x90 && $kind !== 0x80) {
                continue;
            }
            $channel = (\ord($bytes[0]) & 15) + 1;
            $key = "{$channel} ".\ord($bytes[1]);
            $at = $this->source->at($tick);
            if (isset($open[$key])) {
                $place = $open[$key];
                [$on, $began, $note, $velocity] = $found[$place];
                $found[$place] = [$on, $began, $note, $velocity, round(max(self::SHORTEST, $at - $began), 4)];
                unset($open[$key]);
            }
            if ($kind === 0x90 && \ord($bytes[2]) > 0) {
                $open[$key] = \count($found);
                $found[] = [$channel, $at, \ord($bytes[1]), \ord($bytes[2]), self::SHORTEST];
            }
        }
        $notes = [];
        foreach ($found as $i => [$channel, $at, $note, $velocity, $long]) {
            $notes[$channel][] = ['id' => 'n'.($i + 1), 'at' => $at, 'note' => $note, 'velocity' => $velocity, 'long' => $long];
        }

        return $notes;
    }

    /** @return list<string> ids of routes that such a note sets off, at whatever port they wait for it */
    private function listening(Note $note): array
    {
        $ids = [];
        foreach ($this->show->routes as $id => $entry) {
            foreach ($entry->route->triggers ?? [] as $trigger) {
                $port = ((array) $trigger)['port'] ?? null;
                $event = \is_string($port) ? new Heard($port, $note) : null;
                if (
                    $event !== null
                    && array_intersect($trigger->keys(), $event->keys()) !== []
                    && $trigger->take($event) instanceof Taken
                ) {
                    $ids[(string) $id] = true;
                }
            }
        }

        return array_map(strval(...), array_keys($ids));
    }
}
