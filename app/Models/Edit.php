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
 * @property User|null $user
 */
final class Edit extends Model
{
    protected $fillable = ['user_id', 'summary', 'before', 'revision', 'undone'];

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

    protected function casts(): array
    {
        return ['before' => 'array', 'undone' => 'boolean', 'revision' => 'integer'];
    }
}
