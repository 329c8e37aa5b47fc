<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Only builders change what is stored. */
final class MayBuild
{
    public function handle(Request $request, \Closure $next): Response
    {
        abort_unless($request->user()?->role->mayBuild() === true, 403, 'Only a builder can change the show: log in as one.');

        return $next($request);
    }
}
