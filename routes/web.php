<?php

declare(strict_types=1);

use App\Http\Controllers\BackupController;
use App\Http\Controllers\CueController;
use App\Http\Controllers\ExchangeController;
use App\Http\Controllers\FigureController;
use App\Http\Controllers\FormulaController;
use App\Http\Controllers\HealthController;
use App\Http\Controllers\HistoryController;
use App\Http\Controllers\KindController;
use App\Http\Controllers\ListController;
use App\Http\Controllers\OfferController;
use App\Http\Controllers\PacketController;
use App\Http\Controllers\PatchController;
use App\Http\Controllers\PixelController;
use App\Http\Controllers\RouteController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\ShelfController;
use App\Http\Controllers\ShowController;
use App\Http\Controllers\ShowModeController;
use App\Http\Controllers\SurfaceController;
use App\Http\Controllers\TapeController;
use App\Http\Controllers\TimelineController;
use App\Http\Controllers\UserController;
use App\Http\Pages;
use Illuminate\Support\Facades\Route;
use NimbleJunction\Core\Show\Show;

Route::prefix('api')->group(function (): void {
    Route::get('session', [SessionController::class, 'show']);
    Route::post('session', [SessionController::class, 'login']);
    Route::delete('session', [SessionController::class, 'logout']);

    Route::get('surfaces/{id}/entry', [SurfaceController::class, 'entry']);
    Route::post('surfaces/{id}/entry', [SurfaceController::class, 'enter']);
    Route::delete('surfaces/{id}/entry', [SurfaceController::class, 'leave']);
    Route::post('surfaces/{id}/way-out', [SurfaceController::class, 'wayOut']);
    Route::post('surfaces/{id}/token', [SurfaceController::class, 'token']);

    Route::middleware('auth')->group(function (): void {
        Route::post('live-token', [SessionController::class, 'token']);
        Route::post('live-check', [SessionController::class, 'linkCheck'])->middleware('throttle:30,1');
        Route::get('show', [ShowController::class, 'show']);
        Route::get('show/changes', [ShowController::class, 'changes']);
        Route::get('show/ports/{id}/other-end', [ShowController::class, 'otherEnd']);
        Route::get('show/export', [ShowController::class, 'export']);

        Route::get('show/{list}/table', [ListController::class, 'table'])->whereIn('list', array_keys(Show::LISTS));

        Route::get('show/routes/sheet', [RouteController::class, 'sheet']);
        Route::get('show/figure', [FigureController::class, 'described']);
        Route::get('show/lists/{id}/sheet', [CueController::class, 'sheet']);
        Route::get('show/offers/{id}/sheet', [OfferController::class, 'sheet']);
        Route::get('show/offers/{id}/type', [OfferController::class, 'type']);
        Route::get('show/address', [PatchController::class, 'address']);
        Route::get('show/scene', [ExchangeController::class, 'scene']);
        Route::get('show/profiles/{id}/type', [ExchangeController::class, 'type']);
        Route::get('show/profiles/{id}/type/left', [ExchangeController::class, 'notInType']);
        Route::get('library', [PatchController::class, 'library']);
        Route::post('show/pixels/layout', [PixelController::class, 'layout']);

        Route::get('show/history', [HistoryController::class, 'page']);
        Route::get('show/history/{id}', [HistoryController::class, 'difference'])->whereNumber('id');
        Route::get('show/history/{id}/way-back', [HistoryController::class, 'wayBack'])->whereNumber('id');
        Route::get('shows', [ShelfController::class, 'all']);
        Route::get('shows/{id}/export', [ShelfController::class, 'export'])->whereNumber('id');
        Route::get('shows/{id}/opening', [ShelfController::class, 'opening'])->whereNumber('id');

        Route::get('show/panels/{id}/addresses', [SurfaceController::class, 'addresses']);
        Route::get('show/timelines/{id}/midi', [TimelineController::class, 'midiFile']);
        Route::get('tapes/{id}', [TapeController::class, 'download']);
        Route::get('surfaces/coded', [SurfaceController::class, 'coded']);
        Route::get('kinds', KindController::class);
        Route::post('formula', FormulaController::class);
        Route::post('show/routes/starting', [RouteController::class, 'starting']);
        Route::post('show/routes/preview', [RouteController::class, 'preview']);
        Route::get('packets/formats', [PacketController::class, 'formats']);
        Route::post('packets/decode', [PacketController::class, 'decode']);
        Route::post('packets/encode', [PacketController::class, 'encode']);

        Route::put('session/password', [UserController::class, 'ownPassword']);

        Route::get('machine', [HealthController::class, 'machine']);
        Route::get('events', [HealthController::class, 'events']);
        Route::get('events/file', [HealthController::class, 'download']);

        Route::post('show-mode', [ShowModeController::class, 'lock']);
        Route::delete('show-mode', [ShowModeController::class, 'unlock'])->middleware('throttle:10,1');

        Route::middleware(['builds', 'unlocked'])->group(function (): void {
            Route::get('backups', [BackupController::class, 'all']);
            Route::post('backups', [BackupController::class, 'make']);
            Route::get('backups/fresh', [BackupController::class, 'fresh']);
            Route::post('backups/brought', [BackupController::class, 'bring']);
            Route::get('backups/{name}', [BackupController::class, 'download']);
            Route::post('backups/{name}/restore', [BackupController::class, 'restore']);
            Route::get('users', [UserController::class, 'all']);
            Route::post('users', [UserController::class, 'add']);
            Route::patch('users/{id}', [UserController::class, 'change'])->whereNumber('id');
            Route::delete('users/{id}', [UserController::class, 'remove'])->whereNumber('id');
            Route::delete('users/{id}/logins', [UserController::class, 'logOut'])->whereNumber('id');
            Route::post('tapes', [TapeController::class, 'upload']);
            Route::post('show/timelines/{id}/midi', [TimelineController::class, 'midi']);
            Route::post('show/timelines/{id}/takes', [TimelineController::class, 'keep']);
            Route::post('show/timelines/{id}/takes/{take}/lay', [TimelineController::class, 'lay']);
            Route::post('show/timelines/{id}/takes/{take}/loop', [TimelineController::class, 'loop']);
            Route::post('show/timelines/{id}/thin', [TimelineController::class, 'thin']);
            Route::post('show/timelines/{id}/drawn', [TimelineController::class, 'draw']);
            Route::post('show/surfaces/file', [SurfaceController::class, 'file']);
            Route::post('show/surfaces/{id}/template', [SurfaceController::class, 'template']);
            Route::put('surfaces/{id}/code', [SurfaceController::class, 'setCode']);
            Route::patch('show', [ShowController::class, 'settle']);
            Route::post('show/take-up', [ShowController::class, 'takeUp']);
            Route::post('show/import', [ShowController::class, 'import']);
            Route::post('show/undo', [ShowController::class, 'undo']);
            Route::post('show/redo', [ShowController::class, 'redo']);
            Route::patch('show/history/{id}', [HistoryController::class, 'name'])->whereNumber('id');
            Route::post('show/history/{id}/go-back', [HistoryController::class, 'goBack'])->whereNumber('id');
            Route::post('shows', [ShelfController::class, 'begin']);
            Route::post('shows/import', [ShelfController::class, 'import']);
            Route::patch('shows/{id}', [ShelfController::class, 'change'])->whereNumber('id');
            Route::delete('shows/{id}', [ShelfController::class, 'delete'])->whereNumber('id');
            foreach (['duplicate', 'restore', 'open'] as $deed) {
                Route::post("shows/{id}/{$deed}", [ShelfController::class, $deed])->whereNumber('id');
            }
            Route::post('show/scene', [ExchangeController::class, 'takeScene']);
            Route::post('show/profiles/type', [ExchangeController::class, 'takeType']);
            Route::post('show/figure', [FigureController::class, 'add']);
            Route::post('show/lists/{id}/sheet', [CueController::class, 'takeSheet']);
            Route::post('show/routes/sheet', [RouteController::class, 'takeSheet']);
            Route::post('show/routes/deed', [RouteController::class, 'deed']);
            Route::post('show/fixtures/deed', [PatchController::class, 'deed']);
            Route::post('show/{list}/batch', [ListController::class, 'batch'])->whereIn('list', array_keys(Show::LISTS));
            Route::post('show/{list}/table', [ListController::class, 'takeTable'])->whereIn('list', array_keys(Show::LISTS));
            Route::post('show/{list}', [ShowController::class, 'add'])->whereIn('list', array_keys(Show::LISTS));
            Route::put('show/{list}/{id}', [ShowController::class, 'replace'])->whereIn('list', array_keys(Show::LISTS));
            Route::delete('show/{list}/{id}', [ShowController::class, 'remove'])->whereIn('list', array_keys(Show::LISTS));
        });
    });
});

// For monitors: without session or cookies.
Route::get('health', [HealthController::class, 'health'])->withoutMiddleware('web');
Route::get('metrics', [HealthController::class, 'metrics'])->withoutMiddleware('web');

// A surface has a page of its own, small enough for a phone.
Route::get('s/{id}/manifest.json', [SurfaceController::class, 'manifest'])->where('id', '[a-z0-9][a-z0-9-]{0,59}');
Route::view('s/{id}', 'surface')->where('id', '[a-z0-9][a-z0-9-]{0,59}');
// The same page without a surface: a phone keeps it, for when the show's machine does not answer.
Route::view('surface-shell', 'surface')->withoutMiddleware('web');

// The page finds its own way from here.
foreach (Pages::ADDRESSES as $address) {
    Route::view($address, 'page');
}
Route::fallback(static fn() => request()->is('api', 'api/*')
    ? response()->json(['message' => 'There is nothing at this address.'], 404)
    : response()->view('page', status: 404));
