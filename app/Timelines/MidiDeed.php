<?php

declare(strict_types=1);

namespace App\Timelines;

use App\Shows\Draft;
use App\Shows\FreeIds;
use Illuminate\Support\Str;
use NimbleJunction\Core\Furnishing\MidiSource;
use NimbleJunction\Core\Furnishing\MidiTempo;
use NimbleJunction\Core\Furnishing\MidiTracks;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Timeline\Timeline;

/**
 * A MIDI file comes onto a timeline: its notes as triggers, or to be played again with its controllers, its markers as
 * markers, its tempos as tempo map.
 */
final class MidiDeed extends TimelineDeed
{
    /**
     * @param bool $asNotes whether they are played again, and not triggers
     * @param string $port id of the one at which they are played
     * @param bool $keepsTempo whether the timeline takes the tempos and the bars of the file
     */
    public function __construct(
        string $id,
        private readonly string $bytes,
        private readonly bool $asNotes = false,
        private readonly string $port = '',
        private readonly bool $keepsTempo = false,
    ) {
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
        $controls = $midi->controls($this->port);
        $changes = $this->keepsTempo ? (new MidiTempo($source))->changes() : [];
        $notes = $this->asNotes ? $midi->notes($this->port) : $midi->triggers();
        $count = \count($controls);
        $this->says = [
            'tracks' => 0,
            'triggers' => 0,
            'controls' => $this->asNotes ? $count : 0,
            'left' => $this->asNotes ? 0 : $count,
            'tempos' => \count($changes),
        ];
        $fresh = $this->asNotes ? [...$notes, ...$controls] : $notes;
        $tracks = $this->added(self::listOf($part, 'tracks'), $fresh);
        if ($fresh === [] && $changes === []) {
            throw $this->asNotes || $controls === []
                ? self::refused('there are no notes in that file', 'Choose a file with notes in it.')
                : self::refused(
                    'there are no notes in that file, only controllers',
                    'Take it in to be played again: controllers become levels then.',
                );
        }
        $markers = self::listOf($part, 'markers');
        $markerIds = new FreeIds('markers', array_column($markers, 'id'));
        foreach ($source->markers() as $marker) {
            $markers[] = ['id' => $markerIds->forName(Str::slug($marker['name']) ?: 'marker'), ...$marker];
        }

        return [
            ...$part,
            'tracks' => $tracks,
            ...($markers === [] ? [] : ['markers' => $markers]),
            ...($changes === [] ? [] : ['changes' => $changes]),
        ];
    }

    /**
     * @param list<array<string, mixed>> $tracks
     * @param list<array<string, mixed>> $fresh
     *
     * @return list<array<string, mixed>>
     */
    private function added(array $tracks, array $fresh): array
    {
        $ids = new FreeIds('tracks', array_column($tracks, 'id'));
        foreach ($fresh as $track) {
            $tracks[] = ['id' => $ids->forName(Str::slug((string) $track['name']) ?: 'midi'), ...$track];
            $does = \is_array($track['does'] ?? null) ? $track['does'] : [];
            $notes = $does['triggers'] ?? $does['notes'] ?? [];
            $this->says['triggers'] += \is_array($notes) ? \count($notes) : 0;
            ++$this->says['tracks'];
        }

        return $tracks;
    }
}
