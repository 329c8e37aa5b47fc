<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\EditAnswer;
use App\Shows\Batch;
use App\Shows\PartTable;
use App\Shows\ShowStore;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;

/** Lists of the current show as a whole: several parts changed at once, and tables for spreadsheets. */
final readonly class ListController
{
    public function __construct(private ShowStore $shows, private EditAnswer $edits)
    {
    }

    public function batch(Request $request, string $list): JsonResponse
    {
        /** @var array<mixed> $asked */
        $asked = $request->json()->all();
        $batch = new Batch($list, $asked);
        $answer = $this->edits->of($request, $batch->summary(), $batch->apply(...), $batch->subjects());

        return EditAnswer::with($answer, ['ids' => $batch->added]);
    }

    public function table(string $list): Response
    {
        $name = (Str::slug($this->shows->current()->name) ?: 'show')."-{$list}";

        return response((new PartTable($list))->write($this->shows->document()), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => "attachment; filename=\"{$name}.csv\"",
        ]);
    }

    /**
     * With ?try=1 nothing is changed: it says only what would be. With ?columns={"Their name": "first", "Remark": ""} a
     * table of somebody else's is understood: which of our columns each of theirs is, '' for none.
     */
    public function takeTable(Request $request, string $list): JsonResponse
    {
        $table = new PartTable($list, self::columns($request));
        $document = [];
        $read = static function (array $before) use ($table, $request, &$document): array {
            return $document = $table->read($request->getContent(), $before);
        };
        try {
            if ($request->boolean('try')) {
                ShowReader::fromArray($read($this->shows->document()));
                $answer = response()->json();
            } else {
                $answer = $this->edits->of($request, $table->summary(...), ShowStore::whole($read), null);
            }
        } catch (ShowRefused $refused) {
            throw $document === [] ? $refused : $table->inWordsOfRows($refused, $document);
        }

        return EditAnswer::with($answer, ['added' => $table->added, 'changed' => $table->changed, 'same' => $table->same]);
    }

    /** @return array<string, string> path of our column by the name of theirs */
    private static function columns(Request $request): array
    {
        $columns = json_decode((string) $request->query('columns', '{}'), true);
        $columns = \is_array($columns) ? array_filter($columns, \is_string(...)) : [];

        return array_combine(array_map(strval(...), array_keys($columns)), array_values($columns));
    }
}
