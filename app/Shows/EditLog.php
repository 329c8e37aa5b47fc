<?php

declare(strict_types=1);

namespace App\Shows;

use App\Models\Edit;
use App\Models\Show;
use App\Models\User;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Collection;
use NimbleJunction\Core\Edit\Amendment;

/** The edits of a show, in the order in which they were made. All are kept; beyond a size the oldest are joined. */
final class EditLog
{
    /** Bytes of all edits of a show: beyond this the oldest are joined, so many in one, until three quarters are left. */
    public const MOST_BYTES = 64 * 1024 * 1024;
    private const JOINED_AT_ONCE = 50;

    /** The newest ones always stay by themselves. */
    private const NEVER_JOINED = 200;

    public static function write(
        Show $show,
        Amendment $amendment,
        string $summary,
        ?User $user,
        int $base,
        string $kind = Edit::EDIT,
        ?int $of = null,
    ): Edit {
        /** @var Edit $edit */
        $edit = $show->edits()->create([
            'user_id' => $user?->id,
            'summary' => $summary,
            'kind' => $kind,
            'amendment' => $amendment,
            'base' => $base,
            'revision' => $show->revision,
            'of_edit' => $of,
            'bytes' => self::length($amendment),
        ]);

        return $edit;
    }

    /**
     * Whether the edits say all that has happened since a revision: before the show was opened, a name may have changed
     * without one.
     */
    public static function follows(Show $show, int $revision): bool
    {
        return $revision === $show->revision
            || ($revision >= $show->opened && $show->edits()->where('base', $revision)->exists());
    }

    /** All that was changed after a revision, in one. */
    public static function since(Show $show, int $revision): Amendment
    {
        $all = new Amendment();
        foreach ($show->edits()->where('revision', '>', $revision)->orderBy('id')->lazyById(100) as $edit) {
            $all = $all->then($edit->amendment);
        }

        return $all;
    }

    /** The newest edit after a revision that changed this part; the list '' for the settings of the show. */
    public static function lastThatChanged(Show $show, string $list, string $id, int $after = 0): ?Edit
    {
        /** @var Collection<int, Edit> $edits */
        $edits = self::mentioning($show, $list, $id)->where('revision', '>', $after)->orderByDesc('id')->limit(50)->get();

        return $edits->first(static fn(Edit $edit): bool => self::changes($edit, $list, $id));
    }

    /**
     * The newest edit that stands, changed this part after another edit, and is neither.
     */
    public static function standingAfter(Show $show, Edit $edit, string $list, string $id): ?Edit
    {
        /** @var Collection<int, Edit> $edits */
        $edits = self::mentioning($show, $list, $id)->whereIn('kind', [Edit::EDIT, Edit::BACK])->where('undone', false)
            ->where('id', '>', $edit->id)->orderByDesc('id')->limit(50)->get();

        return $edits->first(static fn(Edit $one): bool => self::changes($one, $list, $id));
    }

    /** How many bytes the edits of a show take. */
    public static function bytes(Show $show): int
    {
        return (int) $show->edits()->toBase()->sum('bytes');
    }

    /** Joins the oldest edits as long as all take too much room; points with a name stay where they are. */
    public static function compact(Show $show, int $most = self::MOST_BYTES): void
    {
        for ($rounds = 0; $rounds < 100 && self::bytes($show) > $most; ++$rounds) {
            if (! self::joinOldest($show)) {
                return;
            }
        }
    }

    private static function length(Amendment $amendment): int
    {
        return \strlen(json_encode($amendment->toArray(), JSON_THROW_ON_ERROR));
    }

    private static function joinOldest(Show $show): bool
    {
        $newest = $show->edits()->orderByDesc('id')->skip(self::NEVER_JOINED)->value('id');
        /** @var list<Edit> $group */
        $group = [];
        foreach ($show->edits()->where('id', '<=', (int) $newest)->orderBy('id')->lazyById(self::JOINED_AT_ONCE) as $edit) {
            // One that is joined already begins no other group, unless it is alone in the way.
            if ($group === [] && $edit->joined > 1) {
                continue;
            }
            $group[] = $edit;
            if ($edit->point !== null || \count($group) === self::JOINED_AT_ONCE) {
                if (\count($group) > 1) {
                    break;
                }
                $group = [];
            }
        }
        if (\count($group) < 2) {
            return false;
        }
        self::join($show, $group);

        return true;
    }

    /** @param non-empty-list<Edit> $group */
    private static function join(Show $show, array $group): void
    {
        $all = new Amendment();
        foreach ($group as $edit) {
            $all = $all->then($edit->amendment);
        }
        $last = $group[\count($group) - 1];
        $count = array_sum(array_map(static fn(Edit $edit): int => $edit->joined, $group));
        $last->update([
            'amendment' => $all,
            'bytes' => self::length($all),
            'base' => $group[0]->base,
            'joined' => $count,
            'summary' => mb_strimwidth("{$count} edits, from \"{$group[0]->summary}\" to \"{$last->summary}\"", 0, 250, '…'),
            'kind' => Edit::EDIT,
            'undone' => false,
            'of_edit' => null,
        ]);
        $show->edits()->whereIn('id', array_map(static fn(Edit $edit): int => $edit->id, \array_slice($group, 0, -1)))->delete();
    }

    /** @return HasMany<Edit, Show> those whose text may be about this part */
    private static function mentioning(Show $show, string $list, string $id): HasMany
    {
        /** @var HasMany<Edit, Show> $query */
        $query = $show->edits()->whereRaw('instr(amendment, ?) > 0', [$list === '' ? '"was"' : "\"{$id}\""]);

        return $query;
    }

    private static function changes(Edit $edit, string $list, string $id): bool
    {
        return $list === '' ? $edit->amendment->settings !== [] : isset($edit->amendment->parts[$list][$id]);
    }
}
