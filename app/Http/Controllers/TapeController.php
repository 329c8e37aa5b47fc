<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Timelines\TapeIn;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use NimbleJunction\Core\Wire\Capture\Capture;
use NimbleJunction\Core\Wire\Capture\Pcap;
use NimbleJunction\Engine\Tape\TapeFolder;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Tapes as files: capture files that other programs read, and write. */
final readonly class TapeController
{
    private const LARGEST = 64 * 1024 * 1024;

    /** As it is; with "form=pcap" its datagrams in the older format, which knows nothing else. */
    public function download(Request $request, string $id): BinaryFileResponse|Response
    {
        $folder = self::folder();
        abort_unless($folder->has($id), 404, 'There is no such tape.');
        if ($request->query('form') === 'pcap') {
            abort_if(filesize($folder->path($id)) > self::LARGEST, 413, 'That tape is larger than 64 MB: take it as pcapng.');
            $datagrams = iterator_to_array(Capture::datagrams((string) file_get_contents($folder->path($id)), true), false);

            return response(
                Pcap::write($datagrams),
                200,
                [
                    'Content-Type' => 'application/vnd.tcpdump.pcap',
                    'Content-Disposition' => "attachment; filename=\"{$id}.pcap\"",
                ],
            );
        }

        return response()->download($folder->path($id), "{$id}.pcapng", ['Content-Type' => 'application/x-pcapng']);
    }

    /** A capture of somebody else's comes in as a tape. */
    public function upload(Request $request): JsonResponse
    {
        $bytes = $request->getContent();
        abort_if(\strlen($bytes) > self::LARGEST, 413, 'That file is larger than 64 MB: cut it into pieces first.');
        $asked = $request->query('name');
        $name = \is_string($asked) && $asked !== '' ? mb_substr($asked, 0, 60) : 'Capture';
        $tape = new TapeIn(self::folder(), $name, $bytes);

        return response()->json(['id' => $tape->id, 'packets' => $tape->packets, 'seconds' => $tape->seconds]);
    }

    private static function folder(): TapeFolder
    {
        return new TapeFolder((string) config('junction.data').'/tapes');
    }
}
