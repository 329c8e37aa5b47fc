<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * The pass code of a surface, hashed.
 *
 * @property int $show_id
 * @property string $surface
 * @property string $hash
 */
final class SurfaceCode extends Model
{
    protected $fillable = ['show_id', 'surface', 'hash'];
}
