<?php

declare(strict_types=1);

namespace App\Timelines;

use App\Shows\Draft;
use App\Shows\FreeIds;
use Illuminate\Support\Str;
use NimbleJunction\Core\Furnishing\MidiTracks;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Timeline\Timeline;

/** A MIDI file comes onto a timeline: its notes as triggers, its markers as markers. */
final class MidiDeed extends TimelineDeed
{
    public function __construct(string $id, private readonly string $bytes)
    {
        parent::__construct($id);
    }

    public function summary(): string
    {
        return "take in a MIDI file on timeline \"{$this->id}\"";
    }

    protected function change(array $part, Timeline $timeline, Show $show, Draft $draft): array
    {
        $file = new MidiTracks($this->bytes, $show, $timeline->unit === 'beats');
        $tracks = self::listOf($part, 'tracks');
        $markers = self::listOf($part, 'markers');
        $trackIds = new FreeIds('tracks', array_column($tracks, 'id'));
        $markerIds = new FreeIds('markers', array_column($markers, 'id'));
        $this->says = ['tracks' => 0, 'triggers' => 0];
        foreach ($file->tracks() as $track) {
            $tracks[] = ['id' => $trackIds->forName(Str::slug((string) $track['name']) ?: 'midi'), ...$track];
            $this->says['triggers'] += \count($track['does']['triggers']);
            ++$this->says['tracks'];
        }
        if ($this->says['tracks'] === 0) {
            throw self::refused('there are no notes in that file', 'Choose a file with notes in it.');
        }
        foreach ($file->markers() as $marker) {
            $markers[] = ['id' => $markerIds->forName(Str::slug($marker['name']) ?: 'marker'), ...$marker];
        }

        return [...$part, 'tracks' => $tracks, ...($markers === [] ? [] : ['markers' => $markers])];
    }
}
