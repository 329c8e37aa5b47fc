<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\EditAnswer;
use App\Shows\PatchDeed;
use App\Shows\ShowStore;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use NimbleJunction\Core\Patch\Library;
use NimbleJunction\Core\Patching\Deeds;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Words\TypedAddress;

/** The patch of the current show: addresses as they are typed, what is done to many fixtures at once, profiles to begin with. */
final readonly class PatchController
{
    private const LONGEST_ADDRESS = 200;

    public function __construct(private ShowStore $shows, private EditAnswer $edits)
    {
    }

    /** What a typed address may mean, in every numbering. */
    public function address(Request $request): JsonResponse
    {
        $asked = $request->validate(['text' => 'required|string|max:'.self::LONGEST_ADDRESS, 'here' => 'nullable|string|max:60']);
        $read = TypedAddress::read($asked['text'], ShowReader::fromArray($this->shows->document()), $asked['here'] ?? '');

        return response()->json(['ways' => $read->ways, 'problem' => $read->problem]);
    }

    public function deed(Request $request): JsonResponse
    {
        /** @var array<mixed> $asked */
        $asked = $request->json()->all();
        $deed = Deeds::read($asked);
        $done = new PatchDeed($deed);
        $answer = $this->edits->of($request, $deed->summary(), $done->apply(...), null);

        return EditAnswer::with($answer, ['ids' => $done->added]);
    }

    public function library(): JsonResponse
    {
        return response()->json(['profiles' => Library::all()]);
    }
}
