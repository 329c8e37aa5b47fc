<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One change of a show, with the document from before it: what undo goes back to.
 *
 * @property int $id
 * @property string $summary
 * @property array<string, mixed> $before
 * @property bool $undone
 * @property int $revision that it made
 * @property int|null $took_back the edit that it took back, as long as that can be done again
 * @property User|null $user
 */
final class Edit extends Model
{
    protected $fillable = ['user_id', 'summary', 'before', 'revision', 'undone', 'took_back'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** Who made it, in words. */
    public function author(): string
    {
        return $this->user->name ?? 'the command line';
    }

    /** The newest one that stands. */
    public static function lastOf(Show $show): ?self
    {
        /** @var self|null $edit */
        $edit = $show->edits()->where('undone', false)->orderByDesc('id')->first();

        return $edit;
    }

    /** The undo that redo would turn round: the newest one, unless something was changed since. */
    public static function lastUndoOf(Show $show): ?self
    {
        /** @var self|null $undo */
        $undo = $show->edits()->whereNotNull('took_back')->orderByDesc('id')->first();

        return $undo === null || $show->edits()->where('undone', false)->where('id', '>', $undo->id)->exists() ? null : $undo;
    }

    /** What an undo has taken back. */
    public static function takenBack(?self $undo): ?self
    {
        return $undo === null ? null : self::query()->find($undo->took_back);
    }

    protected function casts(): array
    {
        return ['before' => 'array', 'undone' => 'boolean', 'revision' => 'integer', 'took_back' => 'integer'];
    }
}
