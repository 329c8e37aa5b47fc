<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;
use NimbleJunction\Core\Edit\Amendment;

/**
 * An amendment in its column, as JSON.
 *
 * @implements CastsAttributes<Amendment, Amendment>
 */
final class AmendmentCast implements CastsAttributes
{
    public function get(Model $model, string $key, mixed $value, array $attributes): Amendment
    {
        $stored = json_decode((string) $value, true);

        return Amendment::fromArray(\is_array($stored) ? $stored : []);
    }

    public function set(Model $model, string $key, mixed $value, array $attributes): string
    {
        \assert($value instanceof Amendment);

        return json_encode($value->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);
    }
}
