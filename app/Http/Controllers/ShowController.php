<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\EditAnswer;
use App\Shows\FreeIds;
use App\Shows\PartSummary;
use App\Shows\SchemaCheck;
use App\Shows\ShowPage;
use App\Shows\ShowStore;
use App\Shows\Subject;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use NimbleJunction\Core\Discovery\DiscoveredPort;

/**
 * The current show: seen, changed part by part, exported, imported, undone, done again.
 */
final readonly class ShowController
{
    public function __construct(private ShowStore $shows, private ShowPage $page, private EditAnswer $edits)
    {
    }

    public function show(): JsonResponse
    {
        return response()->json($this->page->assemble());
    }

    /** The show's own settings: its name, the octave number of MIDI note 60. */
    public function settle(Request $request): JsonResponse
    {
        $settings = array_intersect_key(EditAnswer::body($request), ['name' => true, 'middleC' => true]);
        $summary = isset($settings['name'])
            ? 'rename the show to "'.PartSummary::name($settings, '').'"'
            : 'change the octave convention';

        return $this->edits->of(
            $request,
            $summary,
            static fn(array $document): array => [...$document, ...$settings],
            [Subject::settings()],
        );
    }

    /** A port for something that was found on the network, with the universes that it needs. */
    public function takeUp(Request $request): JsonResponse
    {
        $find = EditAnswer::body($request);
        $id = '';
        $answer = $this->edits->of($request, 'add "'.PartSummary::name($find, 'a port').'", found on the network', static function (array $document) use ($find, &$id): array {
            [$document, $id] = DiscoveredPort::apply($document, $find);

            return $document;
        });

        return EditAnswer::with($answer, ['id' => $id]);
    }

    public function add(Request $request, string $list): JsonResponse
    {
        $part = EditAnswer::body($request);
        $name = PartSummary::name($part, '');
        $id = null;
        $answer = $this->edits->of($request, PartSummary::of('add', $list, $name), static function (array $document) use ($list, $part, $name, &$id): array {
            $id = (new FreeIds($list, array_column($document[$list], 'id')))->forName($name);
            $document[$list][] = ['id' => $id, ...$part];

            return $document;
        });

        return EditAnswer::with($answer, ['id' => $id]);
    }

    public function replace(Request $request, string $list, string $id): JsonResponse
    {
        $part = EditAnswer::body($request);

        return $this->edits->of($request, PartSummary::of('change', $list, PartSummary::name($part, $id)), static function (array $document) use ($list, $id, $part): array {
            $document[$list][self::place($document, $list, $id)] = ['id' => $id, ...$part];

            return $document;
        }, [Subject::part($list, $id)]);
    }

    public function remove(Request $request, string $list, string $id): JsonResponse
    {
        return $this->edits->of($request, PartSummary::of('delete', $list, $id), static function (array $document) use ($list, $id): array {
            array_splice($document[$list], self::place($document, $list, $id), 1);

            return $document;
        }, [Subject::part($list, $id)]);
    }

    public function undo(Request $request): JsonResponse
    {
        $undone = $this->shows->undo($request->user(), EditAnswer::base($request));
        abort_if($undone === null, 409, 'There is nothing to undo.');

        return response()->json(
            [
                ...$this->page->assemble(),
                'undone' => $undone['summary'],
                'undoneBy' => $undone['by'],
                'notice' => $undone['notice'],
            ],
        );
    }

    public function redo(Request $request): JsonResponse
    {
        $redone = $this->shows->redo($request->user(), EditAnswer::base($request));
        abort_if($redone === null, 409, 'There is nothing to do again: nothing was undone, or something was changed since.');

        return response()->json(
            [
                ...$this->page->assemble(),
                'redone' => $redone['summary'],
                'redoneBy' => $redone['by'],
                'notice' => $redone['notice'],
            ],
        );
    }

    public function export(): Response
    {
        $name = Str::slug($this->shows->current()->name) ?: 'show';

        return response($this->shows->json(), 200, [
            'Content-Type' => 'application/json',
            'Content-Disposition' => "attachment; filename=\"{$name}.json\"",
        ]);
    }

    public function import(Request $request): JsonResponse
    {
        $document = SchemaCheck::read($request->getContent());

        return $this->edits->of($request, "import \"{$document['name']}\"", static fn(): array => $document);
    }

    /** @param array<string, mixed> $document */
    private static function place(array $document, string $list, string $id): int
    {
        $place = array_search($id, array_column($document[$list], 'id'), true);
        abort_if($place === false, 404, "There is no \"{$id}\" among the {$list}: it may have been deleted on another page.");

        return $place;
    }
}
