<?php

declare(strict_types=1);

use App\Http\Middleware\Guarded;
use App\Http\Middleware\MayBuild;
use App\Http\Middleware\NotInShowMode;
use App\Http\Middleware\StillLoggedIn;
use App\Shows\Conflict;
use App\Shows\OlderForm;
use App\Shows\PartMissing;
use Illuminate\Contracts\Auth\Middleware\AuthenticatesRequests;
use Illuminate\Database\QueryException;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Show\ShowRefused;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__.'/../routes/web.php')
    ->withMiddleware(function (Middleware $middleware): void {
        // The page and its API come from the same origin.
        $middleware->remove(HandleCors::class);
        $middleware->append(Guarded::class);
        $middleware->web(append: [StillLoggedIn::class]);
        $middleware->prependToPriorityList(AuthenticatesRequests::class, StillLoggedIn::class);
        $middleware->alias(['builds' => MayBuild::class, 'unlocked' => NotInShowMode::class]);
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
        $exceptions->dontReport(OlderForm::class);
        $exceptions->render(static fn(OlderForm $older) => response()->json([
            'message' => $older->getMessage(),
            'differences' => $older->differences,
            'conflicts' => array_map(static fn(Conflict $one): array => $one->toArray(), $older->conflicts),
        ], 409));
        $exceptions->dontReport(PartMissing::class);
        $exceptions->render(static fn(PartMissing $missing) => response()->json(['message' => $missing->getMessage()], 404));
        $exceptions->render(static function (QueryException $failed) {
            $why = $failed->getMessage();
            if (preg_match('/database or disk is full|disk I\/O error|readonly database/', $why) === 1) {
                return response()->json(['message' => 'Nothing was stored: the disk with the data folder is full, or cannot be written. Make room there, then try again. The show goes on.'], 507);
            }
            if (str_contains($why, 'database is locked')) {
                return response()->json(['message' => 'Nothing was stored: others were storing for too long. Try again.'], 503);
            }

            return null;
        });
    })
    ->create();
