<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Users\ShowMode;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Locks everything but the live page and surfaces, and unlocks it. */
final readonly class ShowModeController
{
    public function __construct(private ShowMode $showMode)
    {
    }

    public function lock(Request $request): JsonResponse
    {
        abort_unless($request->user()?->role->mayOperate() === true, 403, 'Viewers only look on: log in as operator or builder.');
        $this->showMode->lock((string) $request->validate(['code' => 'required|string|max:20'])['code'], $request->user()->name);

        return response()->json(['showMode' => $this->showMode->by()]);
    }

    public function unlock(Request $request): JsonResponse
    {
        abort_unless($request->user()?->role->mayOperate() === true, 403, 'Viewers only look on: log in as operator or builder.');
        $this->showMode->unlock(
            (string) $request->validate(['code' => 'required|string|max:20'])['code'],
            $request->user()->name,
        );

        return response()->json(['showMode' => $this->showMode->by()]);
    }
}
