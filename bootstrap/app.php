<?php

declare(strict_types=1);

use App\Http\Middleware\MayBuild;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use NimbleJunction\Core\Show\Fault;
use NimbleJunction\Core\Show\ShowRefused;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__.'/../routes/web.php')
    ->withMiddleware(function (Middleware $middleware): void {
        // The page and its API come from the same origin.
        $middleware->remove(HandleCors::class);
        $middleware->alias(['builds' => MayBuild::class]);
        $middleware->redirectGuestsTo('/login');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->dontReport(ShowRefused::class);
        $exceptions->shouldRenderJsonWhen(static fn(Request $request): bool => $request->is('api/*') || $request->expectsJson());
        $exceptions->render(static fn(ShowRefused $refused) => response()->json([
            'message' => $refused->getMessage(),
            'faults' => array_map(static fn(Fault $fault): array => [
                'path' => $fault->path, 'problem' => $fault->problem, 'allowed' => $fault->allowed,
            ], $refused->faults),
        ], 422));
    })
    ->create();
