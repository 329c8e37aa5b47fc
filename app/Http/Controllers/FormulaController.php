<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use NimbleJunction\Core\Route\Formula;

/** A formula is looked at while it is typed. */
final class FormulaController
{
    public function __invoke(Request $request): JsonResponse
    {
        $asked = $request->validate(['text' => 'present|nullable|string|max:'.Formula::LONGEST]);
        try {
            Formula::read($asked['text'] ?? '');
        } catch (\InvalidArgumentException $wrong) {
            return response()->json(['problem' => $wrong->getMessage(), 'allowed' => Formula::RULE]);
        }

        return response()->json(['problem' => '', 'allowed' => Formula::RULE]);
    }
}
