<?php

declare(strict_types=1);

namespace App\Shows;

use App\Models\Edit;
use App\Models\Show;
use Illuminate\Support\Collection;
use NimbleJunction\Core\Edit\Amendment;
use NimbleJunction\Core\Edit\Change;

/** The edits of a show as a person reads them: who, when, what, and the difference in words. */
final class History
{
    public const AT_ONCE = 100;
    private const MOST_LINES = 60;

    /**
     * @param int|null $before an id: only what is older; null from the newest on
     *
     * @return list<array<string, mixed>> the newest first
     */
    public static function page(Show $show, ?int $before = null, int $count = self::AT_ONCE): array
    {
        $query = $show->edits()->with('user')->select(Edit::LINE)
            ->orderByDesc('id')->limit($count);
        /** @var Collection<int, Edit> $edits */
        $edits = ($before === null ? $query : $query->where('id', '<', $before))->get();

        return array_values($edits->map(self::line(...))->all());
    }

    /** @return array<string, mixed> */
    public static function line(Edit $edit): array
    {
        return [
            'id' => $edit->id,
            'revision' => $edit->revision,
            'by' => $edit->author(),
            'at' => $edit->created_at->toIso8601String(),
            'what' => $edit->summary,
            'kind' => $edit->kind,
            'undone' => $edit->undone,
            'point' => $edit->point,
            'joined' => $edit->joined,
        ];
    }

    /** What a revision is called, in words; null when there is none. The one before all edits is 0. */
    public static function nameOf(Show $show, int $revision): ?string
    {
        if ($revision === 0) {
            return 'the beginning';
        }
        /** @var Edit|null $edit */
        $edit = $show->edits()->where('revision', $revision)->first();

        return $edit === null ? null : '"'.($edit->point ?? $edit->summary).'"';
    }

    /**
     * What an amendment changes, a line each.
     *
     * @return array{lines: list<array{what: string, differences: list<array{field: string, was: string, is: string}>}>, more: int} what is not shown is counted
     */
    public static function difference(Amendment $amendment): array
    {
        $lines = [];
        foreach ($amendment->settings as $name => $one) {
            $lines[] = [
                'what' => 'the show',
                'differences' => Differences::between([$name => $one['was']], [$name => $one['is']]),
            ];
        }
        foreach ($amendment->parts as $list => $changes) {
            foreach ($changes as $id => $change) {
                if (\count($lines) < self::MOST_LINES) {
                    $lines[] = self::of($list, (string) $id, $change);
                }
            }
        }
        $all = array_sum(array_map(\count(...), $amendment->parts)) + \count($amendment->settings);

        return ['lines' => $lines, 'more' => $all - \count($lines)];
    }

    /** @return array{what: string, differences: list<array{field: string, was: string, is: string}>} */
    private static function of(string $list, string $id, Change $change): array
    {
        $part = PartSummary::singular($list).' "'.$change->name($id).'"';
        if ($change->was === null || $change->is === null) {
            return ['what' => $part.($change->was === null ? ' added' : ' deleted'), 'differences' => []];
        }
        $differences = Differences::between($change->was->part, $change->is->part);

        return ['what' => $differences === [] ? "{$part} moved" : $part, 'differences' => $differences];
    }
}
