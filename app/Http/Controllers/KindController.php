<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Illuminate\Http\JsonResponse;
use NimbleJunction\Core\Route\Kinds;

/** What forms need to know of every kind of trigger, condition, step, action and message: as their classes describe them. */
final readonly class KindController
{
    public function __invoke(): JsonResponse
    {
        return response()->json(Kinds::all()->described());
    }
}
