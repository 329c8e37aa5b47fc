<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * One change of a show, with the document from before it: what undo goes back to.
 *
 * @property int $id
 * @property string $summary
 * @property array<string, mixed> $before
 * @property bool $undone
 */
final class Edit extends Model
{
    protected $fillable = ['user_id', 'summary', 'before', 'undone'];

    protected function casts(): array
    {
        return ['before' => 'array', 'undone' => 'boolean'];
    }
}
