<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Response;

/** Whoever was logged out everywhere is logged out here too, with the next thing that they ask for. */
final class StillLoggedIn
{
    public function handle(Request $request, \Closure $next): Response
    {
        $user = $request->user();
        if ($user !== null) {
            $session = $request->session();
            // Where a cookie has brought them in again the session is new.
            if ((int) $session->get('logins', $user->logins) !== $user->logins) {
                Auth::logoutCurrentDevice();
                $session->invalidate();

                return $next($request);
            }
            $session->put('logins', $user->logins);
            $session->put('visit', $session->get('visit') ?? Str::random(20));
        }

        return $next($request);
    }
}
