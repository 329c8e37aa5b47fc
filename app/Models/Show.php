<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * A show; its universes, ports, routes, copies, profiles and fixtures are its parts.
 *
 * @property int $id
 * @property string $name
 * @property bool $is_current
 * @property int $middle_c octave number of MIDI note 60
 * @property int $revision greater with each change of any show
 * @property int $opened the revision that it was opened with
 * @property Carbon $updated_at
 * @property Carbon|null $archived_at
 * @property Carbon|null $deleted_at put away, to be deleted for good some time later
 */
final class Show extends Model
{
    protected $fillable = ['name', 'is_current', 'middle_c', 'revision', 'opened', 'archived_at', 'deleted_at'];

    /** @return HasMany<ShowPart, $this> */
    public function parts(): HasMany
    {
        return $this->hasMany(ShowPart::class);
    }

    /** @return HasMany<Edit, $this> */
    public function edits(): HasMany
    {
        return $this->hasMany(Edit::class);
    }

    protected function casts(): array
    {
        return [
            'is_current' => 'boolean',
            'middle_c' => 'integer',
            'revision' => 'integer',
            'opened' => 'integer',
            'archived_at' => 'datetime',
            'deleted_at' => 'datetime',
        ];
    }
}
