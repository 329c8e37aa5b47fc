<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Users\ShowMode;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** In show mode nothing that is stored is changed. */
final readonly class NotInShowMode
{
    public function __construct(private ShowMode $showMode)
    {
    }

    public function handle(Request $request, \Closure $next): Response
    {
        $by = $request->isMethodSafe() ? '' : $this->showMode->by();
        abort_if($by !== '', 423, "Show mode, by {$by}: only the live page and surfaces work. Unlock it with the code first.");

        return $next($request);
    }
}
