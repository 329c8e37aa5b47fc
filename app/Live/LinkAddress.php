<?php

declare(strict_types=1);

namespace App\Live;

use Illuminate\Http\Request;

/**
 * Where a page finds a live link, in one of three forms: "/live" on the very host and port that the page came from, over TLS
 * where the page came over TLS; ":8081", another port of that host; or a whole "wss://…". So the page is right whatever name
 * or address it was opened by.
 */
final class LinkAddress
{
    public static function live(): string
    {
        return (string) config('junction.live_url');
    }

    /** @return string|null null where there are none */
    public static function standIns(): ?string
    {
        $listens = (string) config('junction.stand_ins');

        return $listens === '' ? null : (strrchr($listens, ':') ?: $listens);
    }

    /** @return list<string> the origins that a page of this request opens its links to, as a browser writes them */
    public static function origins(Request $request): array
    {
        $scheme = $request->isSecure() ? 'wss' : 'ws';

        return array_values(array_unique(array_map(
            static fn(string $address): string => match ($address[0] ?? '') {
                '/', '' => "{$scheme}://{$request->getHttpHost()}",
                ':' => "{$scheme}://{$request->getHost()}{$address}",
                default => (string) preg_replace('#^(wss?://[^/]+).*$#', '$1', $address),
            },
            array_filter([self::live(), self::standIns()], \is_string(...)),
        )));
    }
}
