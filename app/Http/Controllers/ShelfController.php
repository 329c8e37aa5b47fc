<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\EditAnswer;
use App\Models\Show;
use App\Shows\SchemaCheck;
use App\Shows\Shelf;
use App\Shows\ShowText;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The shows that are stored: a list of them, and what can be done with each. */
final readonly class ShelfController
{
    private const NAME = 'required|string|max:120';

    public function __construct(private Shelf $shelf, private EditAnswer $edits)
    {
    }

    public function all(): JsonResponse
    {
        return response()->json(['shows' => $this->shelf->all(), 'keptDays' => Shelf::KEPT_DAYS]);
    }

    public function begin(Request $request): JsonResponse
    {
        return $this->answer($this->shelf->begin($request->validate(['name' => self::NAME])['name']));
    }

    public function import(Request $request): JsonResponse
    {
        return $this->answer($this->shelf->take(SchemaCheck::read($request->getContent()), $request->user()));
    }

    public function duplicate(Request $request, int $id): JsonResponse
    {
        $name = $request->validate(['name' => self::NAME])['name'];

        return $this->answer($this->shelf->duplicate(self::show($id), $name, $request->user()));
    }

    /** Another name, or put away and brought back. */
    public function change(Request $request, int $id): JsonResponse
    {
        $fields = $request->validate([
            'name' => str_replace('required', 'sometimes', self::NAME),
            'archived' => 'sometimes|boolean',
        ]);
        $show = self::show($id);
        abort_if(
            $show->is_current,
            409,
            'This show is open: rename it as the current show, and open another one before it is archived.',
        );
        if (isset($fields['name'])) {
            $this->shelf->rename($show, $fields['name']);
        }
        if (isset($fields['archived'])) {
            $this->shelf->archive($show, $request->boolean('archived'));
        }

        return $this->answer($show);
    }

    public function delete(int $id): JsonResponse
    {
        $show = self::show($id);
        abort_if($show->is_current, 409, 'This show is open: open another one before it is deleted.');
        $this->shelf->delete($show);

        return $this->answer($show);
    }

    public function restore(int $id): JsonResponse
    {
        $this->shelf->restore($show = self::show($id));

        return $this->answer($show);
    }

    public function export(int $id): Response
    {
        $show = self::show($id);
        $name = Str::slug($show->name) ?: 'show';

        return response(ShowText::json($show), 200, [
            'Content-Type' => 'application/json',
            'Content-Disposition' => "attachment; filename=\"{$name}.json\"",
        ]);
    }

    /** What opening it would change for the ports. */
    public function opening(int $id): JsonResponse
    {
        return response()->json($this->shelf->opening(self::show($id)));
    }

    public function open(Request $request, int $id): JsonResponse
    {
        $notice = $this->shelf->open(self::show($id));

        return response()->json([...$this->edits->whole($request), 'notice' => $notice]);
    }

    private function answer(Show $show): JsonResponse
    {
        return response()->json($this->shelf->line($show->refresh()));
    }

    private static function show(int $id): Show
    {
        $show = Show::query()->find($id);
        abort_if($show === null, 404, 'There is no such show: it may have been deleted for good.');

        return $show;
    }
}
