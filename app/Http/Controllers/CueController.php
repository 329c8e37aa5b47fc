<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\EditAnswer;
use App\Shows\CueSheet;
use App\Shows\ShowStore;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The cues of a list, out to a spreadsheet and in from one. */
final readonly class CueController
{
    public function __construct(private EditAnswer $edits, private ShowStore $shows)
    {
    }

    public function sheet(string $id): Response
    {
        return response((new CueSheet($id))->write($this->shows->document()), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => "attachment; filename=\"{$id}-cues.csv\"",
        ]);
    }

    /** With ?try=1 nothing is changed: it says only what would be. */
    public function takeSheet(Request $request, string $id): JsonResponse
    {
        $sheet = new CueSheet($id);
        $read = static fn(array $before): array => $sheet->read($request->getContent(), $before);
        if ($request->boolean('try')) {
            $read($this->shows->document());
            $answer = response()->json();
        } else {
            $answer = $this->edits->of($request, $sheet->summary(...), ShowStore::whole($read), null);
        }

        return EditAnswer::with($answer, ['added' => $sheet->added, 'changed' => $sheet->changed, 'same' => $sheet->same]);
    }
}
