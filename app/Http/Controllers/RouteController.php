<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\EditAnswer;
use App\Shows\Csv;
use App\Shows\RouteDeed;
use App\Shows\RouteTrial;
use App\Shows\ShowStore;
use App\Shows\StartTrial;
use App\Shows\TriggerTable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** Routes that are being built. */
final readonly class RouteController
{
    public function __construct(
        private RouteTrial $trial,
        private EditAnswer $edits,
        private ShowStore $shows,
        private StartTrial $starts,
    ) {
    }

    /** What a route would do as it is typed, and what is wrong with it. */
    public function preview(Request $request): JsonResponse
    {
        $request->validate(['route' => 'required|array', 'value' => 'nullable|numeric|between:-1e9,1e9']);
        /** @var array<mixed> $route */
        $route = $request->json()->all()['route'];
        $value = $request->input('value');

        return response()->json($this->trial->of($route, is_numeric($value) ? (float) $value : null));
    }

    /** The routes that something to begin from would make. */
    public function starting(Request $request): JsonResponse
    {
        /** @var array<mixed> $asked */
        $asked = $request->json()->all();

        return response()->json($this->starts->of($asked));
    }

    /** Many routes are renumbered, put on another channel, or moved to another port, in one edit. */
    public function deed(Request $request): JsonResponse
    {
        /** @var array<mixed> $asked */
        $asked = $request->json()->all();
        $deed = new RouteDeed($asked);

        return EditAnswer::with($this->edits->of($request, $deed->summary(), $deed->apply(...), null), ['ids' => $deed->ids]);
    }

    /** The trigger sheet: as a table for a spreadsheet, or with ?json=1 for the page. */
    public function sheet(Request $request): Response|JsonResponse
    {
        $table = TriggerTable::table($this->shows->document());
        if ($request->boolean('json')) {
            return response()->json(['columns' => $table[0], 'rows' => \array_slice($table, 1)]);
        }
        $name = (Str::slug($this->shows->current()->name) ?: 'show').'-triggers';

        return response(Csv::write($table), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => "attachment; filename=\"{$name}.csv\"",
        ]);
    }

    /** With ?try=1 nothing is changed: it says only what would be. */
    public function takeSheet(Request $request): JsonResponse
    {
        $table = new TriggerTable();
        $read = static fn(array $before): array => $table->read($request->getContent(), $before);
        if ($request->boolean('try')) {
            $read($this->shows->document());
            $answer = response()->json();
        } else {
            $answer = $this->edits->of($request, $table->summary(...), ShowStore::whole($read), null);
        }

        return EditAnswer::with($answer, ['added' => $table->added, 'changed' => $table->changed, 'same' => $table->same]);
    }
}
