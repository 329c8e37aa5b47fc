<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\EditAnswer;
use App\Timelines\MidiDeed;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What is done to a timeline as a whole. */
final readonly class TimelineController
{
    public function __construct(private EditAnswer $edits)
    {
    }

    /** Notes of a Standard MIDI File become triggers. */
    public function midi(Request $request, string $id): JsonResponse
    {
        $deed = new MidiDeed($id, $request->getContent());
        $answer = $this->edits->of($request, "take in a MIDI file on timeline \"{$id}\"", $deed->apply(...));

        return EditAnswer::with($answer, ['tracks' => $deed->tracks, 'triggers' => $deed->triggers]);
    }
}
