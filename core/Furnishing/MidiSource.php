<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Furnishing;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Timeline\Timeline;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\MidiFile\Event;
use NimbleJunction\Core\Wire\MidiFile\EventKind;
use NimbleJunction\Core\Wire\MidiFile\File;
use NimbleJunction\Core\Wire\MidiFile\TempoMap;
use NimbleJunction\Core\Wire\MidiFile\Track;

/** A Standard MIDI File by the times of a timeline. */
final readonly class MidiSource
{
    private const CUE_POINT = 0x07;
    private const LONGEST_NAME = 60;

    public File $file;
    private TempoMap $map;

    /**
     * @param bool $inBeats whether times are quarter notes, and not seconds
     *
     * @throws ShowRefused
     */
    public function __construct(string $bytes, private bool $inBeats)
    {
        try {
            $this->file = File::decode($bytes);
        } catch (Malformed $malformed) {
            throw ShowRefused::because([new Fault(
                '',
                "this is no MIDI file: {$malformed->getMessage()}",
                'Choose a Standard MIDI File of format 0 or 1, as sequencers export them.',
            )]);
        }
        if ($inBeats && $this->file->division->framesPerSecond !== null) {
            throw ShowRefused::because([new Fault(
                '',
                'the file counts frames, and the timeline beats',
                'Let the timeline go by seconds, or export the file by ticks a quarter note.',
            )]);
        }
        $this->map = $this->file->tempoMap();
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

    /**
     * Channel messages of a track.
     *
     * @return iterable<array{int, string}> tick, and bytes with their status
     */
    public static function messages(Track $track): iterable
    {
        $tick = 0;
        foreach ($track->events as $event) {
            $tick += $event->delta;
            if ($event->kind === EventKind::Channel) {
                yield [$tick, $event->bytes];
            }
        }
    }

    public function at(int $tick): float
    {
        return round($this->exactly($tick), 4);
    }

    /** The same, and not rounded. */
    public function exactly(int $tick): float
    {
        return min(Timeline::LONGEST, $this->inBeats ? $tick / $this->file->division->ticks : $this->map->nanosAt($tick) / 1e9);
    }

    /** @return string what a track is called; '' for nothing */
    public static function name(Track $track): string
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
        $text = mb_check_encoding($event->bytes, 'UTF-8')
            ? $event->bytes
            : mb_convert_encoding($event->bytes, 'UTF-8', 'ISO-8859-1');

        return mb_substr(trim((string) preg_replace('/\p{C}+/u', ' ', (string) $text)), 0, self::LONGEST_NAME);
    }
}
