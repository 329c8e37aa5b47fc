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

/**
 * The shows in the database as show documents. Every change is read back as a
 * whole show before it is stored, can be undone, and is told to the engine.
 */
final readonly class ShowStore
{
    public const LISTS = ['universes', 'ports', 'routes', 'ranges', 'profiles', 'fixtures'];
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
        foreach (self::LISTS as $list) {
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
     *
     * @return string|null what the engine says against it, or that it does not run; null when it is in force
     *
     * @throws ShowRefused nothing has changed
     */
    public function change(string $summary, ?User $user, callable $change): ?string
    {
        DB::transaction(function () use ($summary, $user, $change): void {
            $show = $this->current();
            $before = $this->document($show);
            $after = $change($before);
            ShowReader::fromArray($after);
            $this->store($show, $after);
            $show->edits()->create(['user_id' => $user?->id, 'summary' => $summary, 'before' => $before]);
            $show->edits()->where('id', '<=', (int) $show->edits()->max('id') - self::MOST_EDITS)->delete();
        });

        return $this->engine->adopt($this->json());
    }

    /** The edit that undo would take back. */
    public function lastEdit(): ?Edit
    {
        /** @var Edit|null $edit */
        $edit = $this->current()->edits()->where('undone', false)->orderByDesc('id')->first();

        return $edit;
    }

    /** @return array{summary: string, notice: string|null}|null null when there is nothing to undo */
    public function undo(): ?array
    {
        $edit = $this->lastEdit();
        if ($edit === null) {
            return null;
        }
        DB::transaction(function () use ($edit): void {
            $this->store($this->current(), $edit->before);
            $edit->update(['undone' => true]);
        });

        return ['summary' => $edit->summary, 'notice' => $this->engine->adopt($this->json())];
    }

    /** @param array<string, mixed> $document found sound before */
    private function store(Show $show, array $document): void
    {
        $show->update(['name' => $document['name'], 'middle_c' => $document['middleC'] ?? 4]);
        foreach (self::LISTS as $list) {
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
