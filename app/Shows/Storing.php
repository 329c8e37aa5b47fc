<?php

declare(strict_types=1);

namespace App\Shows;

use App\Models\Edit;
use App\Models\Show;
use App\Models\User;
use App\Surfaces\GoneFromSurfaces;
use App\Surfaces\LockedSurfaces;
use NimbleJunction\Core\Edit\Amendment;
use NimbleJunction\Core\Edit\Change;
use NimbleJunction\Core\Edit\Entry;
use NimbleJunction\Core\Show\ShowRefused;

/** Puts a draft into the database: its parts, the edit that it was, a revision of its own. Always within a transaction. */
final class Storing
{
    private const AT_ONCE = 200;
    private const JSON = JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE;

    /** Names of edits are cut to this. */
    private const LONGEST_SUMMARY = 250;

    /**
     * @param string $kind of edit
     * @param int|null $of the edit that it takes back or does again
     *
     * @return Amendment what it changes; empty where nothing is otherwise, and then nothing is stored
     *
     * @throws ShowRefused when the show would not be sound
     */
    public static function store(
        Draft $draft,
        string $summary,
        ?User $user,
        string $kind = Edit::EDIT,
        ?int $of = null,
    ): Amendment {
        if ($kind === Edit::EDIT && ! $draft->isBroughtAlong) {
            LockedSurfaces::refuse($draft);
        }
        if ($kind === Edit::EDIT) {
            GoneFixtures::forget($draft);
            GoneFromProgramme::forget($draft);
            GoneFromSurfaces::forget($draft);
            GoneFromTimelines::forget($draft);
        }
        $amendment = $draft->amendment();
        if ($amendment->isEmpty()) {
            return $amendment;
        }
        Soundness::check($draft, $amendment);
        if ($kind === Edit::EDIT && ! $draft->isBroughtAlong) {
            SharedSlots::check($draft, $amendment);
            RouteCircles::check($draft, $amendment);
        }
        $show = $draft->show;
        $base = $show->revision;
        self::settle($show, $amendment);
        foreach ($amendment->parts as $list => $changes) {
            self::write($show, $list, $changes);
        }
        EditLog::write($show, $amendment, mb_strimwidth($summary, 0, self::LONGEST_SUMMARY, '…'), $user, $base, $kind, $of);
        EditLog::compact($show);

        return $amendment;
    }

    private static function settle(Show $show, Amendment $amendment): void
    {
        $settings = array_map(static fn(array $one): mixed => $one['is'], $amendment->settings);
        $show->update([
            'name' => $settings['name'] ?? $show->name,
            'middle_c' => $settings['middleC'] ?? $show->middle_c,
            // Over all shows, so that the engine can tell which of two is the newer one.
            'revision' => (int) Show::query()->max('revision') + 1,
        ]);
    }

    /** @param array<string, Change> $changes by id */
    private static function write(Show $show, string $list, array $changes): void
    {
        $rows = $gone = [];
        foreach ($changes as $id => $change) {
            if ($change->is === null) {
                $gone[] = (string) $id;
            } else {
                $rows[] = self::row($show, $list, (string) $id, $change->is);
            }
        }
        foreach (array_chunk($gone, self::AT_ONCE) as $ids) {
            $show->parts()->toBase()->where('kind', $list)->whereIn('key', $ids)->delete();
        }
        foreach (array_chunk($rows, self::AT_ONCE) as $some) {
            $show->parts()->toBase()->upsert($some, ['show_id', 'kind', 'key'], ['position', 'definition', 'updated_at']);
        }
    }

    /** @return array<string, mixed> */
    private static function row(Show $show, string $list, string $id, Entry $entry): array
    {
        $now = now()->toDateTimeString();

        return [
            'show_id' => $show->id,
            'kind' => $list,
            'key' => $id,
            'position' => $entry->place,
            'definition' => json_encode($entry->part, self::JSON),
            'created_at' => $now,
            'updated_at' => $now,
        ];
    }
}
