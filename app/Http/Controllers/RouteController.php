<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Shows\RouteTrial;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Routes that are being built. */
final readonly class RouteController
{
    public function __construct(private RouteTrial $trial)
    {
    }

    /** What a route would do as it is typed, and what is wrong with it. */
    public function preview(Request $request): JsonResponse
    {
        $request->validate(['route' => 'required|array', 'value' => 'nullable|numeric|between:-1e9,1e9']);
        /** @var array<mixed> $route */
        $route = $request->json()->all()['route'];
        $value = $request->input('value');

        return response()->json($this->trial->of($route, is_numeric($value) ? (float) $value : null));
    }
}
