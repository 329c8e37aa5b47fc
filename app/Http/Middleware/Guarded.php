<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Live\LinkAddress;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * What a browser may do with our pages: run our own scripts and no other, speak to us and to the live links, stand in no frame.
 *
 * Source: Content Security Policy Level 3, Fetch ("X-Content-Type-Options"), Referrer Policy, RFC 7034 (from memory).
 */
final class Guarded
{
    public function handle(Request $request, \Closure $next): Response
    {
        $response = $next($request);
        $response->headers->add([
            'Content-Security-Policy' => implode('; ', [
                "default-src 'self'",
                // The component library writes the colours of its theme into the page.
                "style-src 'self' 'unsafe-inline'",
                "img-src 'self' data: blob:",
                "media-src 'self' blob:",
                'connect-src '.implode(' ', ["'self'", ...LinkAddress::origins($request)]),
                "object-src 'none'",
                "base-uri 'none'",
                "form-action 'self'",
                "frame-ancestors 'none'",
            ]),
            'X-Content-Type-Options' => 'nosniff',
            'X-Frame-Options' => 'DENY',
            'Referrer-Policy' => 'same-origin',
            'Cross-Origin-Opener-Policy' => 'same-origin',
        ]);

        return $response;
    }
}
