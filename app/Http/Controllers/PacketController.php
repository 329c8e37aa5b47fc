<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Wire\PacketDoor;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use NimbleJunction\Core\Wire\Formats;
use NimbleJunction\Core\Wire\Layout\Part;

/** Reads and writes single packets for the page that shows which byte means what. Stores nothing. */
final class PacketController
{
    private const LONGEST_HEX = 2 * 1024 * 1024;
    private const LONGEST_JSON = 512 * 1024;

    /**
     * Bytes that are taken apart here at most. Each part of them is shown, which takes about 2 kB of memory: a MIDI
     * stream may be all parts. Whatever is longer is for "php artisan junction:decode".
     */
    private const MOST_BYTES = ['midi' => 16_384, 'smf' => 65_536, 'pcap' => 524_288];
    private const MOST_OTHERWISE = 65_536;

    public function formats(): JsonResponse
    {
        return response()->json(
            [
                'formats' => array_map(
                    static fn(string $name, string $title): array => ['name' => $name, 'title' => $title],
                    array_keys(Formats::NAMES),
                    Formats::NAMES,
                ),
            ],
        );
    }

    public function decode(Request $request): JsonResponse
    {
        $fields = $request->validate(['hex' => 'present|nullable|string|max:'.self::LONGEST_HEX, 'format' => 'nullable|string']);
        $bytes = PacketDoor::fromHex((string) $fields['hex']);
        if (! \is_string($bytes)) {
            return response()->json(['format' => $fields['format'] ?? null, 'bytes' => '', 'refused' => $bytes]);
        }
        $format = $fields['format'] ?? Formats::guess($bytes);
        $door = $format === null ? null : PacketDoor::open($format);
        if ($door === null) {
            return response()->json(
                [
                    'format' => null,
                    'bytes' => bin2hex($bytes),
                    'refused' => [
                        'error' => 'How it begins fits no format that is known here: choose one.',
                        'offset' => 0,
                        'clause' => 'input',
                    ],
                ],
            );
        }
        $most = self::MOST_BYTES[$format] ?? self::MOST_OTHERWISE;
        if (\strlen($bytes) > $most) {
            $words = \strlen($bytes)." bytes are more than this page takes apart at once: at most {$most} of this format. For a whole file use: php artisan junction:decode {$format} --file=NAME";

            return response()->json(
                ['format' => $format, 'bytes' => '', 'refused' => ['error' => $words, 'offset' => $most, 'clause' => 'input']],
            );
        }
        $part = $door->dissect($bytes);

        return response()->json([
            'format' => $format,
            'bytes' => bin2hex($bytes),
            ...($part instanceof Part ? ['part' => self::tree($part), 'fields' => $part->plain()] : ['refused' => $part]),
        ])->setEncodingOptions(JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION);
    }

    public function encode(Request $request): JsonResponse
    {
        $fields = $request->validate(['json' => 'required|string|max:'.self::LONGEST_JSON, 'format' => 'required|string']);
        $door = PacketDoor::open($fields['format']);
        abort_if($door === null, 422, "There is no format \"{$fields['format']}\".");
        $bytes = $door->encode($fields['json']);
        abort_unless(\is_string($bytes), 422, \is_array($bytes) ? $bytes['error'] : '');

        return response()->json(['bytes' => bin2hex($bytes)]);
    }

    /** @return array<string, mixed> */
    private static function tree(Part $part): array
    {
        return [
            'name' => $part->name,
            'offset' => $part->offset,
            'length' => $part->length,
            'meaning' => $part->meaning,
            ...($part->parts === null ? ['value' => $part->value] : [
                'list' => $part->isList,
                'parts' => array_map(self::tree(...), $part->parts),
            ]),
        ];
    }
}
