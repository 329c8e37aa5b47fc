<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\EditAnswer;
use App\Shows\ShowStore;
use App\Timelines\DrawLine;
use App\Timelines\KeepTakes;
use App\Timelines\LayTake;
use App\Timelines\LoopTake;
use App\Timelines\MidiDeed;
use App\Timelines\ThinTrack;
use App\Timelines\TimelineDeed;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use NimbleJunction\Core\Furnishing\MidiExport;
use NimbleJunction\Core\Show\ShowReader;

/** What is done to a timeline as a whole. */
final readonly class TimelineController
{
    public function __construct(private EditAnswer $edits, private ShowStore $shows)
    {
    }

    /**
     * Notes of a Standard MIDI File become triggers; with "as=notes" they are played again, at a port; with "tempo=1" its
     * tempos are kept.
     */
    public function midi(Request $request, string $id): JsonResponse
    {
        $port = $request->query('port');

        return $this->done(
            $request,
            new MidiDeed(
                $id,
                $request->getContent(),
                $request->query('as') === 'notes',
                \is_string($port) ? $port : '',
                $request->boolean('tempo'),
            ),
        );
    }

    /** It as a Standard MIDI File. */
    public function midiFile(string $id): Response
    {
        $show = ShowReader::fromArray($this->shows->document());
        $timeline = $show->timelines[$id] ?? abort(404, 'There is no such timeline.');

        return response(
            (new MidiExport($show, $timeline))->bytes(),
            200,
            ['Content-Type' => 'audio/midi', 'Content-Disposition' => "attachment; filename=\"{$id}.mid\""],
        );
    }

    /** Recorded takes are kept. */
    public function keep(Request $request, string $id): JsonResponse
    {
        $asked = $request->validate([
            'takes' => ['required', 'array', 'min:1', 'max:200'],
            'takes.*' => ['array'],
            'takes.*.name' => ['nullable', 'string', 'max:60'],
            'takes.*.lanes' => ['required', 'array'],
            'lays' => ['boolean'],
        ]);
        /** @var list<array<string, mixed>> $takes */
        $takes = $asked['takes'];

        return $this->done($request, new KeepTakes($id, $takes, (bool) ($asked['lays'] ?? true)));
    }

    /** A take is laid on the tracks. */
    public function lay(Request $request, string $id, string $take): JsonResponse
    {
        return $this->done($request, new LayTake($id, $take));
    }

    /** A take becomes a timeline that goes round. */
    public function loop(Request $request, string $id, string $take): JsonResponse
    {
        $asked = $request->validate([
            'beats' => ['nullable', 'numeric', 'min:0', 'max:10000'],
            'look' => ['nullable', 'string', 'max:64'],
        ]);

        return $this->done($request, new LoopTake($id, $take, (float) ($asked['beats'] ?? 0), (string) ($asked['look'] ?? '')));
    }

    /** A level is told by fewer points. */
    public function thin(Request $request, string $id): JsonResponse
    {
        $asked = $request->validate([
            'track' => ['required', 'string'],
            'tolerance' => ['required', 'numeric', 'min:0', 'max:1000000000'],
        ]);

        return $this->done($request, new ThinTrack($id, (string) $asked['track'], (float) $asked['tolerance']));
    }

    /** A level is drawn by hand. */
    public function draw(Request $request, string $id): JsonResponse
    {
        $asked = $request->validate([
            'track' => ['required', 'string'],
            'samples' => ['required', 'array', 'min:2', 'max:20000'],
            'samples.*' => ['array', 'size:2'],
            'samples.*.0' => ['required', 'numeric', 'min:0', 'max:86400'],
            'samples.*.1' => ['required', 'numeric'],
            'tolerance' => ['required', 'numeric', 'min:0', 'max:1000000000'],
        ]);
        $samples = array_map(static fn(array $one): array => [(float) $one[0], (float) $one[1]], array_values($asked['samples']));

        return $this->done($request, new DrawLine($id, (string) $asked['track'], $samples, (float) $asked['tolerance']));
    }

    private function done(Request $request, TimelineDeed $deed): JsonResponse
    {
        return EditAnswer::with($this->edits->of($request, $deed->summary(), $deed->apply(...), null), $deed->says);
    }
}
