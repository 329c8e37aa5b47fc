<?php

declare(strict_types=1);

namespace App\Timelines;

use App\Shows\Draft;
use App\Shows\FreeIds;
use Illuminate\Support\Str;
use NimbleJunction\Core\Furnishing\MidiSource;
use NimbleJunction\Core\Furnishing\MidiTracks;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Timeline\Timeline;

/** A MIDI file comes onto a timeline: its notes as triggers, or to be played again, its markers as markers. */
final class MidiDeed extends TimelineDeed
{
    /**
     * @param bool $asNotes whether they are played again, and not triggers
     * @param string $port id of the one at which they are played
     */
    public function __construct(string $id, private readonly string $bytes, private readonly bool $asNotes = false, private readonly string $port = '')
    {
        parent::__construct($id);
    }

    public function summary(): string
    {
        return "take in a MIDI file on timeline \"{$this->id}\"";
    }

    protected function change(array $part, Timeline $timeline, Show $show, Draft $draft): array
    {
        $source = new MidiSource($this->bytes, $timeline->unit === 'beats');
        $midi = new MidiTracks($source, $show);
        $tracks = self::listOf($part, 'tracks');
        $markers = self::listOf($part, 'markers');
        $trackIds = new FreeIds('tracks', array_column($tracks, 'id'));
        $markerIds = new FreeIds('markers', array_column($markers, 'id'));
        $this->says = ['tracks' => 0, 'triggers' => 0];
        foreach ($this->asNotes ? $midi->notes($this->port) : $midi->triggers() as $track) {
            $tracks[] = ['id' => $trackIds->forName(Str::slug((string) $track['name']) ?: 'midi'), ...$track];
            $does = \is_array($track['does'] ?? null) ? $track['does'] : [];
            $notes = $does['triggers'] ?? $does['notes'] ?? [];
            $this->says['triggers'] += \is_array($notes) ? \count($notes) : 0;
            ++$this->says['tracks'];
        }
        if ($this->says['tracks'] === 0) {
            throw self::refused('there are no notes in that file', 'Choose a file with notes in it.');
        }
        foreach ($source->markers() as $marker) {
            $markers[] = ['id' => $markerIds->forName(Str::slug($marker['name']) ?: 'marker'), ...$marker];
        }

        return [...$part, 'tracks' => $tracks, ...($markers === [] ? [] : ['markers' => $markers])];
    }
}
