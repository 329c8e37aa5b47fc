<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Foundation\Auth\User as Authenticatable;
use NimbleJunction\Engine\LiveLink\Role;

/**
 * A person who may log in.
 *
 * @property int $id
 * @property string $name
 * @property Role $role
 * @property string $password
 * @property int $logins counted on where everybody who is logged in under this name has to log in again
 */
final class User extends Authenticatable
{
    protected $fillable = ['name', 'password', 'role'];
    protected $attributes = ['logins' => 1];
    protected $hidden = ['password', 'remember_token'];

    protected function casts(): array
    {
        return ['password' => 'hashed', 'role' => Role::class, 'logins' => 'integer'];
    }
}
