<?php

declare(strict_types=1);

namespace App\Shows;

use App\Models\Edit;
use App\Models\Show;
use App\Models\User;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;

/** All shows that are stored: one of them is open, the others wait, are put away, or are to be deleted. */
final readonly class Shelf
{
    /** Days that a deleted show can be brought back. */
    public const KEPT_DAYS = 30;

    public function __construct(private ShowStore $shows, private Telling $telling)
    {
    }

    /** @return list<array<string, mixed>> the open one first, then by their last change */
    public function all(): array
    {
        $this->purge();
        $this->shows->current();
        /** @var Collection<int, Show> $shows */
        $shows = Show::query()->orderByDesc('is_current')->orderByDesc('revision')->get();

        return array_values($shows->map($this->line(...))->all());
    }

    /** A show with nothing in it but a name; it is not opened. */
    public function begin(string $name): Show
    {
        return $this->named($name);
    }

    /**
     * A document as a show of its own; it is not opened.
     *
     * @param array<string, mixed> $document found sound
     */
    public function take(array $document, ?User $user): Show
    {
        return DB::transaction(function () use ($document, $user): Show {
            $show = $this->named(\is_string($document['name'] ?? null) ? $document['name'] : 'New show');
            $draft = new Draft($show);
            $draft->become($document);
            $draft->isBroughtAlong = true;
            Storing::store($draft, "import \"{$show->name}\"", $user);

            return $show;
        });
    }

    public function duplicate(Show $show, string $name, ?User $user): Show
    {
        $copy = $this->take([...ShowText::document($show), 'name' => $name], $user);
        $copy->edits()->update(['summary' => mb_strimwidth("duplicate \"{$show->name}\"", 0, 250, '…')]);

        return $copy;
    }

    /** Only for a show that is not open: the open one is renamed by an edit. */
    public function rename(Show $show, string $name): void
    {
        $show->update(['name' => $name]);
    }

    public function archive(Show $show, bool $isArchived): void
    {
        $show->update(['archived_at' => $isArchived ? now() : null]);
    }

    public function delete(Show $show): void
    {
        $show->update(['deleted_at' => now()]);
    }

    public function restore(Show $show): void
    {
        $show->update(['deleted_at' => null]);
    }

    /**
     * What opening a show would change for the ports.
     *
     * @return array{closes: list<string>, opens: list<string>, changes: list<string>, stays: int} names of ports
     *
     * @throws ShowRefused when it cannot run
     */
    public function opening(Show $show): array
    {
        ShowReader::fromArray(ShowText::document($show));
        $now = self::ports($this->shows->current());
        $then = self::ports($show);
        $both = array_intersect_key($now, $then);
        $changed = array_filter(
            $both,
            static fn(array $port, int|string $id): bool => $port !== $then[$id],
            ARRAY_FILTER_USE_BOTH,
        );
        $names = static fn(array $ports): array => array_values(array_map(
            static fn(array $port): string => PartSummary::name($port, (string) $port['id']),
            $ports,
        ));

        return [
            'closes' => $names(array_diff_key($now, $then)),
            'opens' => $names(array_diff_key($then, $now)),
            'changes' => $names(array_intersect_key($then, $changed)),
            'stays' => \count($both) - \count($changed),
        ];
    }

    /**
     * Another show becomes the current one, and the engine runs it. Before that a backup is made.
     *
     * @return string|null what the engine says against it, or that it does not run
     *
     * @throws ShowRefused when it cannot run: nothing has changed
     */
    public function open(Show $show): ?string
    {
        ShowReader::fromArray(ShowText::document($show));
        Backup::make('before-opening');
        DB::transaction(static function () use ($show): void {
            Show::query()->where('is_current', true)->update(['is_current' => false]);
            $revision = (int) Show::query()->max('revision') + 1;
            $show->update([
                'is_current' => true,
                'archived_at' => null,
                'deleted_at' => null,
                'revision' => $revision,
                'opened' => $revision,
            ]);
        });

        return $this->telling->whole($show);
    }

    /** What was deleted long ago goes for good. */
    public function purge(): void
    {
        Show::query()->where('is_current', false)->where('deleted_at', '<', now()->subDays(self::KEPT_DAYS))->get()
            ->each(static function (Show $show): void {
                PageCache::forget($show);
                $show->delete();
            });
    }

    /** @return array<string, mixed> */
    public function line(Show $show): array
    {
        /** @var Edit|null $last */
        $last = $show->edits()->with('user')->orderByDesc('revision')->first([
            'id',
            'show_id',
            'user_id',
            'summary',
            'created_at',
        ]);
        $counts = $show->parts()->toBase()->selectRaw('kind, count(*) as count')->groupBy('kind')->pluck('count', 'kind')->all();

        return [
            'id' => $show->id,
            'name' => $show->name,
            'isOpen' => $show->is_current,
            'changedAt' => ($last->created_at ?? $show->updated_at)->toIso8601String(),
            'by' => $last?->author(),
            'what' => $last?->summary,
            'archived' => $show->archived_at !== null,
            'deletedAt' => $show->deleted_at?->toIso8601String(),
            'goneAt' => $show->deleted_at?->copy()->addDays(self::KEPT_DAYS)->toIso8601String(),
            'counts' => (object) $counts,
        ];
    }

    private function named(string $name): Show
    {
        $show = Show::query()->create([
            'name' => $name,
            'is_current' => false,
            'revision' => (int) Show::query()->max('revision') + 1,
        ]);

        return $show->refresh();
    }

    /** @return array<array<string, mixed>> by id */
    private static function ports(Show $show): array
    {
        return array_column(ShowText::document($show)['ports'], null, 'id');
    }
}
