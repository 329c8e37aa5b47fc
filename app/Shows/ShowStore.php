<?php

declare(strict_types=1);

namespace App\Shows;

use App\Database\OneMoment;
use App\Models\Edit;
use App\Models\Show;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use NimbleJunction\Core\Edit\Amendment;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Show\Upgrades;

/**
 * The current show as a show document, and every way to change it. A change is found sound before it is stored, has a
 * revision, can be undone, and is told to the engine. Changes wait for each other: each begins by taking the right to write.
 */
final readonly class ShowStore
{
    public function __construct(private Telling $telling)
    {
    }

    public function current(): Show
    {
        return Show::query()->where('is_current', true)->first()
            ?? Show::query()->create(['name' => 'New show', 'is_current' => true])->refresh();
    }

    /** @return array<string, mixed> the show document */
    public function document(?Show $show = null): array
    {
        return ShowText::document($show ?? $this->current());
    }

    public function json(?Show $show = null): string
    {
        return ShowText::json($show ?? $this->current());
    }

    /** @return array{string, int} the current show as JSON, and its revision: both of one moment */
    public function withRevision(): array
    {
        return OneMoment::of(fn(): array => [$this->json($show = $this->current()), $show->revision]);
    }

    /**
     * Changes the current show as a whole.
     *
     * @param callable(array<string, mixed>): array<string, mixed> $change document to document
     * @param int|null $base the revision that whoever asks had seen; null claims nothing
     * @param list<Subject> $subjects what it changes: if somebody else has changed one of these since, it is refused
     *
     * @return string|null what the engine says against it, or that it does not run; null when it is running
     *
     * @throws ShowRefused|OlderForm nothing has changed
     */
    public function change(string $summary, ?User $user, callable $change, ?int $base = null, array $subjects = []): ?string
    {
        $whole = self::whole($change);

        return $this->amend($summary, $user, static function (Draft $draft) use ($whole): void {
            $whole($draft);
            $draft->isBroughtAlong = true;
        }, $base, $subjects)->notice;
    }

    /**
     * Changes some parts of the current show.
     *
     * @param string|\Closure(): string $summary asked for once it is known what is changed
     * @param callable(Draft): void $change
     * @param int|null $base the revision that whoever asks had seen; null claims nothing
     * @param list<Subject>|null $subjects what it changes: if somebody else has changed one of these since, it is refused; null for every part that it changes
     *
     * @throws ShowRefused|OlderForm|PartMissing nothing has changed
     */
    public function amend(
        string|\Closure $summary,
        ?User $user,
        callable $change,
        ?int $base = null,
        ?array $subjects = [],
    ): Edited {
        return $this->inTurn(static function (Draft $draft) use ($summary, $user, $change, $base, $subjects): array {
            if ($base !== null && $base < $draft->show->opened) {
                throw new OlderForm("Another show has been opened meanwhile: \"{$draft->show->name}\". Nothing was stored.");
            }
            $change($draft);
            if ($base !== null) {
                Subject::refuseIfAnyChanged($subjects ?? Subject::allOf($draft->amendment()), $draft, $base);
            }
            if ($draft->missing !== []) {
                throw new PartMissing(implode(' ', $draft->missing));
            }
            $words = \is_string($summary) ? $summary : $summary();

            return [Storing::store($draft, $words, $user), $words, $user->name ?? ''];
        }) ?? throw new \LogicException('An edit always has an outcome.');
    }

    /**
     * @param callable(array<string, mixed>): mixed $change document to document
     *
     * @return \Closure(Draft): void
     */
    public static function whole(callable $change): \Closure
    {
        return static function (Draft $draft) use ($change): void {
            $document = $change($draft->document());
            $document = \is_array($document) ? $document : [];
            // Places and ids are only known of a sound document.
            ShowReader::fromArray($document);
            $draft->become(Upgrades::toNewest($document));
        };
    }

    /** The edit that undo would take back: one's own first. */
    public function lastEdit(?User $user = null): ?Edit
    {
        return Undoing::next($this->current(), $user);
    }

    /** The edit that redo would do again: the one that was taken back last, as long as nothing was changed since. */
    public function lastUndone(?User $user = null): ?Edit
    {
        return Undoing::edit(Undoing::lastUndo($this->current(), $user));
    }

    /**
     * Takes back the last edit, or a certain one.
     *
     * @param int|null $base the revision that whoever asks had seen: another edit than the one that was seen is not taken back
     * @param int|null $certain id of an edit of the history
     *
     * @return Edited|null null when there is nothing to undo
     *
     * @throws OlderForm|ShowRefused nothing has changed
     */
    public function undo(?User $user = null, ?int $base = null, ?int $certain = null): ?Edited
    {
        return $this->inTurn(static function (Draft $draft) use ($user, $base, $certain): ?array {
            $show = $draft->show;
            $edit = Edit::standing($show)->find($certain ?? Undoing::next($show, $user)?->id);
            if (! $edit instanceof Edit) {
                return null;
            }
            if ($base !== null && $base < $edit->revision) {
                throw new OlderForm(
                    "The last edit is another one now: {$edit->summary}, by {$edit->author()}. Nothing was undone. Press undo again to take that one back.",
                );
            }
            Undoing::join($draft, $edit, $edit->amendment->inverse());
            $edit->update(['undone' => true]);

            return [
                Storing::store($draft, "undo: {$edit->summary}", $user, Edit::UNDO, $edit->id),
                $edit->summary,
                $edit->author(),
            ];
        });
    }

    /**
     * Does again what was taken back last.
     *
     * @param int|null $base the revision that whoever asks had seen
     *
     * @return Edited|null null when there is nothing to redo
     *
     * @throws OlderForm|ShowRefused nothing has changed
     */
    public function redo(?User $user = null, ?int $base = null): ?Edited
    {
        return $this->inTurn(static function (Draft $draft) use ($user, $base): ?array {
            $undo = Undoing::lastUndo($draft->show, $user);
            $edit = Undoing::edit($undo);
            if ($undo === null || $edit === null) {
                return null;
            }
            if ($base !== null && $base < $undo->revision) {
                throw new OlderForm(
                    "The last edit is another one now: {$edit->summary}, by {$edit->author()}. Nothing was done again. Press redo again to do that one again.",
                );
            }
            Undoing::join($draft, $edit, $undo->amendment->inverse());
            $undo->update(['undone' => true]);
            $edit->update(['undone' => false]);

            return [
                Storing::store($draft, "redo: {$edit->summary}", $user, Edit::REDO, $edit->id),
                $edit->summary,
                $edit->author(),
            ];
        });
    }

    /**
     * The show becomes what it was after a revision; that is an edit like any other, and can be undone.
     *
     * @return Edited|null null when there is no such revision
     *
     * @throws ShowRefused nothing has changed
     */
    public function goBack(int $revision, ?User $user): ?Edited
    {
        return $this->inTurn(static function (Draft $draft) use ($revision, $user): ?array {
            $name = History::nameOf($draft->show, $revision);
            if ($name === null) {
                return null;
            }
            $draft->take(EditLog::since($draft->show, $revision)->inverse());
            $words = "go back to {$name}";

            return [Storing::store($draft, $words, $user, Edit::BACK), $words, $user->name ?? ''];
        });
    }

    /**
     * Does something to the current show alone, and tells the engine.
     *
     * @param \Closure(Draft): (array{Amendment, string, string}|null) $deed what was changed, its summary, who made it
     */
    private function inTurn(\Closure $deed): ?Edited
    {
        $done = DB::transaction(function () use ($deed): ?array {
            $show = $this->current();
            $base = $show->revision;
            $done = $deed(new Draft($show));

            return $done === null ? null : [$show, $base, ...$done];
        });
        if ($done === null) {
            return null;
        }
        [$show, $base, $amendment, $summary, $by] = $done;
        $notice = $this->telling->edit($show, $base, $amendment);

        return new Edited($amendment, $base, $show->revision, $notice, $summary, $by);
    }
}
