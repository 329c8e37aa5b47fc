<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\EditAnswer;
use App\Shows\FigureDeed;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use NimbleJunction\Core\Document\Schema;
use NimbleJunction\Core\Programme\Wave\Figure;

/** Figures of pan and tilt, that become waves. */
final readonly class FigureController
{
    public function __construct(private EditAnswer $edits)
    {
    }

    /** What a form needs. */
    public function described(): JsonResponse
    {
        return response()->json(Schema::described(Figure::class));
    }

    public function add(Request $request): JsonResponse
    {
        /** @var array<mixed> $asked */
        $asked = $request->json()->all();
        $deed = new FigureDeed($asked);
        $answer = $this->edits->of($request, $deed->summary(), $deed->apply(...), null);

        return EditAnswer::with($answer, ['ids' => $deed->ids]);
    }
}
