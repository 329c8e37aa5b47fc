<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\EditAnswer;
use App\Models\Edit;
use App\Shows\EditLog;
use App\Shows\History;
use App\Shows\ShowStore;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The history of the current show: who, when, what, the difference, and the way back. */
final readonly class HistoryController
{
    public function __construct(private ShowStore $shows, private EditAnswer $edits)
    {
    }

    /** The newest first; with ?before=ID those that are older than that edit. */
    public function page(Request $request): JsonResponse
    {
        $before = $request->validate(['before' => 'sometimes|integer|min:1'])['before'] ?? null;
        $show = $this->shows->current();
        $edits = History::page($show, $before === null ? null : (int) $before);

        return response()->json([
            'edits' => $edits,
            'more' => \count($edits) === History::AT_ONCE,
            'count' => $show->edits()->sum('joined'),
            'bytes' => EditLog::bytes($show),
            'mostBytes' => EditLog::MOST_BYTES,
        ]);
    }

    /** What one edit has changed. */
    public function difference(int $id): JsonResponse
    {
        return response()->json(History::difference($this->edit($id)->amendment));
    }

    /** What going back to how it was after an edit would change. */
    public function wayBack(int $id): JsonResponse
    {
        $edit = $this->edit($id);

        return response()->json(History::difference(EditLog::since($this->shows->current(), $edit->revision)->inverse()));
    }

    public function goBack(Request $request, int $id): JsonResponse
    {
        $gone = $this->shows->goBack($this->edit($id)->revision, $request->user());
        abort_if($gone === null, 404, 'There is no such edit.');

        return $this->edits->after($request, $gone);
    }

    /** A point of the history gets a name, or loses it. */
    public function name(Request $request, int $id): JsonResponse
    {
        $point = $request->validate(['point' => 'present|nullable|string|max:120'])['point'];
        $edit = $this->edit($id);
        $edit->update(['point' => $point === null || trim($point) === '' ? null : trim($point)]);

        return response()->json(History::line($edit));
    }

    private function edit(int $id): Edit
    {
        /** @var Edit|null $edit */
        $edit = $this->shows->current()->edits()->find($id);
        abort_if($edit === null, 404, 'There is no such edit: it may have been joined with others, or belong to another show.');

        return $edit;
    }
}
