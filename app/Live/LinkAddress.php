<?php

declare(strict_types=1);

namespace App\Live;

use Illuminate\Http\Request;

/** Where a page finds the live link. */
final class LinkAddress
{
    public static function live(Request $request): string
    {
        return self::of($request, (string) config('junction.live_url'), (string) config('junction.live'));
    }

    public static function standIns(Request $request): ?string
    {
        return config('junction.stand_ins') === '' ? null : self::of($request, '', (string) config('junction.stand_ins'));
    }

    /** The same host that the page came from, at the link's own port, unless a whole address is set. */
    private static function of(Request $request, string $whole, string $listens): string
    {
        return $whole !== ''
            ? $whole
            : ($request->isSecure() ? 'wss' : 'ws').'://'.$request->getHost().':'.substr((string) strrchr($listens, ':'), 1).'/';
    }
}
