<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;
use NimbleJunction\Core\Pixels\PixelMap;
use NimbleJunction\Core\Show\ShowReader;

/** The picture of a pixel map, also of one that is being built. */
final readonly class PixelController
{
    /** Where each pixel is and which slots it takes, counted through its universes from 0; or what is wrong with it. */
    public function layout(Request $request): JsonResponse
    {
        /** @var \ArrayObject<int, Fault> $faults */
        $faults = new \ArrayObject();
        /** @var array<mixed> $asked */
        $asked = $request->json()->all();
        $fields = new Fields(['id' => 'map', 'name' => 'Map', ...$asked], '', $faults);
        $map = Reading::with(ShowReader::kinds())->part($fields, PixelMap::class);
        // How many universes it takes is an answer, not a fault.
        $wrong = array_filter(
            $faults->getArrayCopy(),
            static fn(Fault $fault): bool => ! str_starts_with($fault->path, '/universes'),
        );
        if ($map->layout === null || $wrong !== []) {
            return response()->json([
                'problem' => implode(' ', array_map(
                    static fn(Fault $fault): string => ltrim($fault->path, '/').": {$fault->problem}. {$fault->allowed}",
                    array_values($wrong),
                )),
            ]);
        }
        $wiring = $map->wiring;

        return response()->json([
            'problem' => '',
            'counts' => $map->counts(),
            'universes' => $wiring->universes(),
            'places' => $map->layout->places(),
            'slots' => array_map($wiring->slots(...), range(0, $wiring->count - 1)),
        ]);
    }
}
