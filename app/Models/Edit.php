<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use NimbleJunction\Core\Edit\Amendment;

/**
 * One change of a show: who, when, what, and what was there before.
 *
 * @property int $id
 * @property int|null $user_id
 * @property string $summary
 * @property string $kind edit, undo, redo, or back to an earlier point
 * @property Amendment $amendment
 * @property bool $undone taken back, by an undo or, where it is one itself, by a redo
 * @property int $base the revision that it was made on
 * @property int $revision that it made
 * @property int|null $of_edit the edit that it took back, or did again
 * @property string|null $point the name that somebody gave to the show as it was after it
 * @property int $joined how many edits it stands for
 * @property Carbon $created_at
 * @property User|null $user
 */
final class Edit extends Model
{
    /** All that is said of an edit but what it has changed. */
    public const LINE = [
        'id',
        'show_id',
        'user_id',
        'summary',
        'kind',
        'undone',
        'base',
        'revision',
        'of_edit',
        'point',
        'joined',
        'created_at',
    ];
    public const EDIT = 'edit';
    public const UNDO = 'undo';
    public const REDO = 'redo';
    public const BACK = 'back';
    protected $fillable = [
        'user_id',
        'summary',
        'kind',
        'amendment',
        'base',
        'revision',
        'undone',
        'of_edit',
        'point',
        'joined',
        'bytes',
    ];

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

    /**
     * Those that stand and can be taken back.
     *
     * @return Builder<self> the newest first
     */
    public static function standing(Show $show): Builder
    {
        /** @var Builder<self> $query */
        $query = self::query()
            ->where('show_id', $show->id)
            ->whereIn('kind', [self::EDIT, self::BACK])
            ->where('undone', false)
            ->orderByDesc('revision')
            ->orderByDesc('id');

        return $query;
    }

    protected function casts(): array
    {
        return [
            'amendment' => AmendmentCast::class,
            'undone' => 'boolean',
            'revision' => 'integer',
            'base' => 'integer',
            'of_edit' => 'integer',
            'joined' => 'integer',
        ];
    }
}
