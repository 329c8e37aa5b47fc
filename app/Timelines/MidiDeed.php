<?php

declare(strict_types=1);

namespace App\Timelines;

use App\Shows\Draft;
use App\Shows\FreeIds;
use App\Shows\PartMissing;
use Illuminate\Support\Str;
use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Furnishing\MidiTracks;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;

/** A MIDI file comes onto a timeline: its notes as triggers, its markers as markers. */
final class MidiDeed
{
    public int $tracks = 0;
    public int $triggers = 0;

    public function __construct(private readonly string $timeline, private readonly string $bytes)
    {
    }

    /** @throws ShowRefused|PartMissing */
    public function apply(Draft $draft): void
    {
        $draft->read('timelines', [$this->timeline]);
        $part = $draft->part('timelines', $this->timeline) ?? throw new PartMissing("There is no timeline \"{$this->timeline}\": it may have been deleted on another page.");
        $file = new MidiTracks($this->bytes, ShowReader::fromArray($draft->document()), ($part['unit'] ?? 'seconds') === 'beats');
        $tracks = self::listOf($part, 'tracks');
        $markers = self::listOf($part, 'markers');
        $trackIds = new FreeIds('tracks', array_column($tracks, 'id'));
        $markerIds = new FreeIds('markers', array_column($markers, 'id'));
        foreach ($file->tracks() as $track) {
            $tracks[] = ['id' => $trackIds->forName(Str::slug((string) $track['name']) ?: 'midi'), ...$track];
            $this->triggers += \count($track['does']['triggers']);
            ++$this->tracks;
        }
        if ($this->tracks === 0) {
            throw ShowRefused::because([new Fault('', 'there are no notes in that file', 'Choose a file with notes in it.')]);
        }
        foreach ($file->markers() as $marker) {
            $markers[] = ['id' => $markerIds->forName(Str::slug($marker['name']) ?: 'marker'), ...$marker];
        }
        $draft->put('timelines', $this->timeline, [...$part, 'tracks' => $tracks, ...($markers === [] ? [] : ['markers' => $markers])]);
    }

    /**
     * @param array<string, mixed> $part
     *
     * @return list<array<string, mixed>>
     */
    private static function listOf(array $part, string $name): array
    {
        $list = $part[$name] ?? [];

        return \is_array($list) ? array_values(array_filter($list, \is_array(...))) : [];
    }
}
