<?php

declare(strict_types=1);

namespace App\Shows;

use App\Live\EngineDoor;
use App\Models\Edit;
use App\Models\Show;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use NimbleJunction\Core\Show\Show as ShowDocument;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Show\Upgrades;

/**
 * The shows in the database as show documents. Every change is read back as a
 * whole show before it is stored, has a revision, can be undone, and is told to
 * the engine. Changes wait for each other: each begins by taking the right to write.
 */
final readonly class ShowStore
{
    private const MOST_EDITS = 200;

    public function __construct(private EngineDoor $engine)
    {
    }

    public function current(): Show
    {
        return Show::query()->where('is_current', true)->first()
            ?? Show::query()->create(['name' => 'New show', 'is_current' => true]);
    }

    /** @return array<string, mixed> the show document */
    public function document(?Show $show = null): array
    {
        $show ??= $this->current();
        $document = ['format' => ShowDocument::FORMAT, 'version' => ShowDocument::VERSION, 'name' => $show->name, 'middleC' => $show->middle_c ?? 4];
        $parts = $show->parts()->get()->sortBy('position')->groupBy('kind');
        foreach (array_keys(ShowDocument::LISTS) as $list) {
            $document[$list] = array_values($parts->get($list)?->pluck('definition')->all() ?? []);
        }

        return $document;
    }

    public function json(?Show $show = null): string
    {
        return json_encode($this->document($show), JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR)."\n";
    }

    /**
     * Changes the current show.
     *
     * @param callable(array<string, mixed>): array<string, mixed> $change document to document
     * @param int|null $base the revision that whoever asks had seen; null claims nothing
     *
     * @return string|null what the engine says against it, or that it does not run; null when it is in force
     *
     * @throws ShowRefused|OlderForm nothing has changed
     */
    public function change(string $summary, ?User $user, callable $change, ?int $base = null, ?Subject $subject = null): ?string
    {
        $told = DB::transaction(function () use ($summary, $user, $change, $base, $subject): array {
            $show = $this->current();
            $before = $this->document($show);
            if ($base !== null && $base < $show->revision) {
                $subject?->refuseIfChanged($show, $before, $base);
            }
            $after = $change($before);
            ShowReader::fromArray($after);
            $after = Upgrades::toNewest($after);
            $this->store($show, $after);
            $show->edits()->create(['user_id' => $user?->id, 'summary' => $summary, 'before' => $before, 'revision' => $show->revision]);
            $show->edits()->where('id', '<=', (int) $show->edits()->max('id') - self::MOST_EDITS)->delete();

            return [$this->json($show), $show->revision];
        });

        return $this->engine->adopt(...$told);
    }

    /** The edit that undo would take back. */
    public function lastEdit(): ?Edit
    {
        /** @var Edit|null $edit */
        $edit = $this->current()->edits()->where('undone', false)->orderByDesc('id')->first();

        return $edit;
    }

    /**
     * @param int|null $base the revision that whoever asks had seen: another edit than the one that was seen is not taken back
     *
     * @return array{summary: string, by: string, notice: string|null}|null null when there is nothing to undo
     *
     * @throws OlderForm
     */
    public function undo(?User $user = null, ?int $base = null): ?array
    {
        $undone = DB::transaction(function () use ($user, $base): ?array {
            $show = $this->current();
            $edit = $this->lastEdit();
            if ($edit === null) {
                return null;
            }
            if ($base !== null && $base < $show->revision) {
                throw new OlderForm("The last edit is another one now: {$edit->summary}, by {$edit->author()}. Nothing was undone. Press undo again to take that one back.");
            }
            $before = $this->document($show);
            $this->store($show, Upgrades::toNewest($edit->before));
            $edit->update(['undone' => true]);
            $show->edits()->create(['user_id' => $user?->id, 'summary' => "undo: {$edit->summary}", 'before' => $before, 'revision' => $show->revision, 'undone' => true]);

            return ['edit' => $edit, 'told' => [$this->json($show), $show->revision]];
        });

        return $undone === null ? null : ['summary' => $undone['edit']->summary, 'by' => $undone['edit']->author(), 'notice' => $this->engine->adopt(...$undone['told'])];
    }

    /** @param array<string, mixed> $document found sound before */
    private function store(Show $show, array $document): void
    {
        // Over all shows, so that the engine can tell which of two is the newer one.
        $show->update(['name' => $document['name'], 'middle_c' => $document['middleC'] ?? 4, 'revision' => (int) Show::query()->max('revision') + 1]);
        foreach (array_keys(ShowDocument::LISTS) as $list) {
            $old = $show->parts()->where('kind', $list)->get()->keyBy('key');
            $keys = [];
            foreach ($document[$list] ?? [] as $position => $definition) {
                $keys[] = $definition['id'];
                $fields = ['position' => $position, 'definition' => $definition];
                $part = $old->get($definition['id']);
                $part === null
                    ? $show->parts()->create(['kind' => $list, 'key' => $definition['id'], ...$fields])
                    : $part->fill($fields)->save();
            }
            $show->parts()->where('kind', $list)->whereNotIn('key', $keys)->delete();
        }
    }
}
