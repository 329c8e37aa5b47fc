<?php

declare(strict_types=1);

namespace App\Shows;

use App\Models\Edit;
use App\Models\Show;
use App\Models\User;
use NimbleJunction\Core\Edit\Amendment;
use NimbleJunction\Core\Edit\Entry;
use NimbleJunction\Core\Edit\Reconciled;

/**
 * Which edit undo takes back and which redo does again: one's own first. What others have changed since stays; where both
 * have changed the same, theirs comes first.
 */
final class Undoing
{
    /** How often it is looked for one that is in the way. */
    private const MOST_IN_THE_WAY = 100;

    /** The edit that undo takes back; null when there is none. It comes without its amendment, which may be large. */
    public static function next(Show $show, ?User $user): ?Edit
    {
        /** @var Edit|null $edit */
        $edit = Edit::standing($show)
            ->where('user_id', $user?->id)
            ->first(Edit::LINE) ?? Edit::standing($show)
            ->first(Edit::LINE);
        if ($edit === null || ! Edit::standing($show)->where('id', '>', $edit->id)->exists()) {
            // Nothing came later that could be in the way.
            return $edit;
        }
        $edit = $edit->fresh();
        $draft = new Draft($show);
        for ($i = 0; $edit !== null && $i < self::MOST_IN_THE_WAY; ++$i) {
            $other = self::inTheWay($draft, $edit, $edit->amendment->inverse());
            if ($other === null) {
                return $edit;
            }
            $edit = $other;
        }

        return $edit;
    }

    /** The undo that redo turns round; null when nothing was undone, or something was changed since. */
    public static function lastUndo(Show $show, ?User $user): ?Edit
    {
        /** @var Edit|null $undo */
        $undo = $show->edits()
            ->where('kind', Edit::UNDO)
            ->where('undone', false)
            ->where('user_id', $user?->id)
            ->orderByDesc('revision')
            ->first();
        if ($undo === null || self::edit($undo) === null) {
            return null;
        }
        $isOver = Edit::standing($show)->where('user_id', $user?->id)->where('id', '>', $undo->id)->exists();

        return $isOver ? null : $undo;
    }

    /** The edit that an undo took back. */
    public static function edit(?Edit $undo): ?Edit
    {
        return $undo?->of_edit === null ? null : Edit::query()->find($undo->of_edit);
    }

    /**
     * Joins an amendment to the show of now. What others have changed since stays, unless it is the same.
     *
     * @throws OlderForm when somebody else has changed the same since
     */
    public static function join(Draft $draft, Edit $edit, Amendment $amendment): void
    {
        foreach ($amendment->parts as $list => $changes) {
            $draft->read($list, array_map(strval(...), array_keys($changes)));
            foreach ($changes as $id => $change) {
                $joined = Reconciled::of($change->was, $change->is, $draft->stored($list, (string) $id), true);
                if ($joined->clashes !== []) {
                    throw self::refused(
                        $draft->show,
                        $edit,
                        $list,
                        (string) $id,
                        self::name($draft->stored($list, (string) $id) ?? $change->was, (string) $id),
                    );
                }
                $draft->set($list, (string) $id, $joined->entry);
            }
        }
        foreach ($amendment->settings as $name => $one) {
            if ($draft->setting($name) !== $one['was']) {
                throw self::refused($draft->show, $edit, '', '', 'the show');
            }
            $draft->settle($name, $one['is']);
        }
    }

    /** @return Edit|null one that stands, came later, and changed the same */
    private static function inTheWay(Draft $draft, Edit $edit, Amendment $inverse): ?Edit
    {
        foreach ($inverse->parts as $list => $changes) {
            $draft->read($list, array_map(strval(...), array_keys($changes)));
            foreach ($changes as $id => $change) {
                $now = $draft->stored($list, (string) $id);
                if (
                    ! Entry::areSame($now, $change->was)
                    && Reconciled::of($change->was, $change->is, $now, true)->clashes !== []
                ) {
                    $other = EditLog::standingAfter($draft->show, $edit, $list, (string) $id);
                    if ($other !== null) {
                        return $other;
                    }
                }
            }
        }
        foreach ($inverse->settings as $name => $one) {
            if ($draft->setting($name) !== $one['was']) {
                return EditLog::standingAfter($draft->show, $edit, '', '');
            }
        }

        return null;
    }

    private static function name(?Entry $entry, string $id): string
    {
        return PartSummary::name($entry->part ?? [], $id);
    }

    private static function refused(Show $show, Edit $edit, string $list, string $id, string $name): OlderForm
    {
        $other = EditLog::standingAfter($show, $edit, $list, $id) ?? EditLog::lastThatChanged($show, $list, $id);
        $who = $other === null ? '' : ", by {$other->author()} ({$other->summary})";
        $what = $other === null ? 'the edits after it' : 'that one';

        return new OlderForm(
            "\"{$name}\" has been changed since \"{$edit->summary}\"{$who}. Nothing was changed: undo {$what} first.",
        );
    }
}
