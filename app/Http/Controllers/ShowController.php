<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Database\OneMoment;
use App\Http\EditAnswer;
use App\Shows\Backup;
use App\Shows\Draft;
use App\Shows\EditLog;
use App\Shows\FreeIds;
use App\Shows\PageCache;
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

    /** Whoever follows (X-Answer: changes) may get the show of a moment ago, and asks then for what was changed since. */
    public function show(Request $request, PageCache $cache): JsonResponse|Response
    {
        if (EditAnswer::isBrief($request) && str_contains((string) $request->header('Accept-Encoding'), 'gzip')) {
            return response(
                $cache->of($this->shows->current()),
                200,
                ['Content-Type' => 'application/json', 'Content-Encoding' => 'gzip', 'Vary' => 'Accept-Encoding, X-Answer'],
            );
        }

        return response()->json($this->edits->whole($request));
    }

    /** What was changed after a revision: all of it where that is too much, or not known. */
    public function changes(Request $request): JsonResponse
    {
        $since = (int) $request->validate(['since' => 'required|integer|min:0'])['since'];
        $changes = OneMoment::of(function () use ($since, $request): ?array {
            $show = $this->shows->current();

            return EditLog::follows($show, $since)
                ? $this->page->changes(EditLog::since($show, $since), $since, $show->revision, $request->user())
                : null;
        });

        return response()->json($changes ?? $this->edits->whole($request));
    }

    /** What has to be set at the other end of a port. */
    public function otherEnd(string $id): JsonResponse
    {
        $lines = $this->page->otherEnd($id);
        abort_if($lines === null, 404, "There is no port \"{$id}\": it may have been deleted on another page.");

        return response()->json(['lines' => $lines]);
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
            static function (Draft $draft) use ($settings): void {
                array_walk($settings, static fn(mixed $value, string $name) => $draft->settle($name, $value));
            },
            [Subject::settings()],
        );
    }

    /** A port for something that was found on the network, with the universes that it needs. */
    public function takeUp(Request $request): JsonResponse
    {
        $find = EditAnswer::body($request);
        $id = '';
        $answer = $this->edits->of($request, 'add "'.PartSummary::name($find, 'a port').'", found on the network', ShowStore::whole(static function (array $document) use ($find, &$id): array {
            [$document, $id] = DiscoveredPort::apply($document, $find);

            return $document;
        }));

        return EditAnswer::with($answer, ['id' => $id]);
    }

    public function add(Request $request, string $list): JsonResponse
    {
        $part = EditAnswer::body($request);
        $name = PartSummary::name($part, '');
        $id = null;
        $answer = $this->edits->of($request, PartSummary::of('add', $list, $name), static function (Draft $draft) use ($list, $part, $name, &$id): void {
            $id = (new FreeIds($list, $draft->ids($list)))->forName($name);
            $draft->put($list, $id, $part);
        });

        return EditAnswer::with($answer, ['id' => $id]);
    }

    public function replace(Request $request, string $list, string $id): JsonResponse
    {
        $part = EditAnswer::body($request);

        return $this->edits->of($request, PartSummary::of(
            'change',
            $list,
            PartSummary::name($part, $id),
        ), static function (Draft $draft) use ($list, $id, $part): void {
            $draft->need($list, $id);
            $draft->put($list, $id, $part);
        }, [Subject::part($list, $id)]);
    }

    public function remove(Request $request, string $list, string $id): JsonResponse
    {
        return $this->edits->of($request, PartSummary::of('delete', $list, $id), static function (Draft $draft) use ($list, $id): void {
            $draft->need($list, $id);
            $draft->remove($list, $id);
        }, [Subject::part($list, $id)]);
    }

    /** The last edit, one's own first; with {"edit": id} that one of the history. */
    public function undo(Request $request): JsonResponse
    {
        $certain = EditAnswer::body($request)['edit'] ?? null;
        abort_if($certain !== null && ! \is_int($certain), 422, '"edit" must be the id of an edit, as the history says it.');
        $undone = $this->shows->undo($request->user(), EditAnswer::base($request), $certain);
        abort_if(
            $undone === null,
            409,
            $certain === null ? 'There is nothing to undo.' : 'That edit is undone already, or cannot be.',
        );

        return $this->edits->after($request, $undone, ['undone' => $undone->summary, 'undoneBy' => $undone->by]);
    }

    public function redo(Request $request): JsonResponse
    {
        $redone = $this->shows->redo($request->user(), EditAnswer::base($request));
        abort_if($redone === null, 409, 'There is nothing to do again: nothing was undone, or something was changed since.');

        return $this->edits->after($request, $redone, ['redone' => $redone->summary, 'redoneBy' => $redone->by]);
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
        Backup::make('before-import');

        return $this->edits->of($request, "import \"{$document['name']}\"", static function (Draft $draft) use ($document): void {
            $draft->become($document);
            $draft->isBroughtAlong = true;
        });
    }

}
