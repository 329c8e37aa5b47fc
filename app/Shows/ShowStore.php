<?php

declare(strict_types=1);

namespace App\Shows;

use App\Live\EngineDoor;
use App\Models\Edit;
use App\Models\Show;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use NimbleJunction\Core\Document\Table;
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
        $document = [
            'format' => ShowDocument::FORMAT,
            'version' => ShowDocument::VERSION,
            'name' => $show->name,
            'middleC' => $show->middle_c ?? 4,
        ];
        $parts = $show->parts()->get()->sortBy('position')->groupBy('kind');
        foreach (array_keys(ShowDocument::LISTS) as $list) {
            $document[$list] = array_values($parts->get($list)?->pluck('definition')->all() ?? []);
        }

        return $document;
    }

    public function json(?Show $show = null): string
    {
        $document = $this->document($show);
        foreach (array_keys(ShowDocument::LISTS) as $list) {
            $table = new Table(ShowDocument::classOf($list));
            // What is broken in the database leaves as it is: the reader says what is wrong with it.
            $document[$list] = array_map(
                static fn(mixed $part): mixed => \is_array($part) ? $table->withObjects($part) : $part,
                $document[$list],
            );
        }

        return json_encode(
            $document,
            JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
        )."\n";
    }

    /**
     * Changes the current show.
     *
     * @param callable(array<string, mixed>): array<string, mixed> $change document to document
     * @param int|null $base the revision that whoever asks had seen; null claims nothing
     * @param list<Subject> $subjects what it changes: if somebody else has changed one of these since, it is refused
     *
     * @return string|null what the engine says against it, or that it does not run; null when it is in force
     *
     * @throws ShowRefused|OlderForm nothing has changed
     */
    public function change(string $summary, ?User $user, callable $change, ?int $base = null, array $subjects = []): ?string
    {
        $told = DB::transaction(function () use ($summary, $user, $change, $base, $subjects): array {
            $show = $this->current();
            $before = $this->document($show);
            if ($base !== null && $base < $show->revision) {
                Subject::refuseIfAnyChanged($subjects, $show, $before, $base);
            }
            $after = $change($before);
            ShowReader::fromArray($after);
            $after = Upgrades::toNewest($after);
            $this->store($show, $after);
            $show->edits()->create(
                ['user_id' => $user?->id, 'summary' => $summary, 'before' => $before, 'revision' => $show->revision],
            );
            $show->edits()->where('id', '<=', (int) $show->edits()->max('id') - self::MOST_EDITS)->delete();

            return [$this->json($show), $show->revision];
        });

        return $this->engine->adopt(...$told);
    }

    /** The edit that undo would take back. */
    public function lastEdit(): ?Edit
    {
        return Edit::lastOf($this->current());
    }

    /** The edit that redo would do again: the one that was taken back last, as long as nothing was changed since. */
    public function lastUndone(): ?Edit
    {
        return Edit::takenBack(Edit::lastUndoOf($this->current()));
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
        return $this->step('undo', $base, function (Show $show) use ($user): ?array {
            $edit = Edit::lastOf($show);
            $edit?->update(['undone' => true]);

            return $edit === null ? null : [$edit, $edit->before, ['user_id' => $user?->id, 'took_back' => $edit->id]];
        });
    }

    /**
     * Does again what was taken back last.
     *
     * @param int|null $base the revision that whoever asks had seen
     *
     * @return array{summary: string, by: string, notice: string|null}|null null when there is nothing to redo
     *
     * @throws OlderForm
     */
    public function redo(?User $user = null, ?int $base = null): ?array
    {
        return $this->step('redo', $base, static function (Show $show) use ($user): ?array {
            $undo = Edit::lastUndoOf($show);
            $edit = Edit::takenBack($undo);
            $edit?->update(['undone' => false]);
            $undo?->update(['took_back' => null]);

            return $edit === null || $undo === null ? null : [$edit, $undo->before, ['user_id' => $user?->id]];
        });
    }

    /**
     * Goes to a document that was there before.
     *
     * @param \Closure(Show): (array{Edit, array<string, mixed>, array<string, mixed>}|null) $find the edit that it is
     *                         about, the document, and what is kept of this step
     *
     * @return array{summary: string, by: string, notice: string|null}|null
     */
    private function step(string $way, ?int $base, \Closure $find): ?array
    {
        $gone = DB::transaction(function () use ($way, $base, $find): ?array {
            $show = $this->current();
            $found = $find($show);
            if ($found === null) {
                return null;
            }
            [$edit, $document, $fields] = $found;
            if ($base !== null && $base < $show->revision) {
                $done = $way === 'undo' ? "undone. Press {$way} again to take that one back." : "done again. Press {$way} again to do that one again.";
                throw new OlderForm("The last edit is another one now: {$edit->summary}, by {$edit->author()}. Nothing was {$done}");
            }
            $before = $this->document($show);
            $this->store($show, Upgrades::toNewest($document));
            $show->edits()->create([...$fields, 'summary' => "{$way}: {$edit->summary}", 'before' => $before, 'revision' => $show->revision, 'undone' => true]);

            return ['edit' => $edit, 'told' => [$this->json($show), $show->revision]];
        });

        return $gone === null ? null : [
            'summary' => $gone['edit']->summary,
            'by' => $gone['edit']->author(),
            'notice' => $this->engine->adopt(...$gone['told']),
        ];
    }

    /** @param array<string, mixed> $document found sound before */
    private function store(Show $show, array $document): void
    {
        // Over all shows, so that the engine can tell which of two is the newer one.
        $show->update(
            [
                'name' => $document['name'],
                'middle_c' => $document['middleC'] ?? 4,
                'revision' => (int) Show::query()->max('revision') + 1,
            ],
        );
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
