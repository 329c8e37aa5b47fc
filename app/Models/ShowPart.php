<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * One universe, port or route of a show, as it stands in the show document.
 *
 * @property string $kind the list of the document that it belongs to
 * @property string $key its id there
 * @property int $position
 * @property array<string, mixed> $definition
 */
final class ShowPart extends Model
{
    protected $fillable = ['kind', 'key', 'position', 'definition'];

    protected function casts(): array
    {
        return ['definition' => 'array'];
    }
}
