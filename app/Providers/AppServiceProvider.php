<?php

declare(strict_types=1);

namespace App\Providers;

use App\Database\Connector;
use App\Health\Health;
use App\Health\Noted;
use App\Live\EngineDoor;
use App\Models\Edit;
use App\Session\Files;
use App\Users\ShowMode;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Session\SessionManager;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\ServiceProvider;
use NimbleJunction\Engine\Events\EventLog;

final class AppServiceProvider extends ServiceProvider
{
    public function boot(SessionManager $sessions, Filesystem $files): void
    {
        Edit::created(static fn(Edit $edit) => DB::afterCommit(static fn() => Noted::edit($edit)));
        $sessions->extend(
            'file',
            static fn(): Files => new Files($files, (string) config('session.files'), (int) config('session.lifetime')),
        );
    }

    public function register(): void
    {
        $this->app->bind('db.connector.sqlite', Connector::class);
        $this->app->bind(
            ShowMode::class,
            static fn(Application $app): ShowMode => new ShowMode(
                $app->make(EngineDoor::class),
                (string) config('junction.data'),
            ),
        );
        $this->app->bind(
            Health::class,
            static fn(Application $app): Health => new Health(
                $app->make(EngineDoor::class),
                (string) config('junction.data'),
                (string) config('junction.version'),
            ),
        );
        $this->app->singleton(EventLog::class, static fn(): EventLog => new EventLog((string) config('junction.data')));
        $this->app->singleton(
            EngineDoor::class,
            static fn(): EngineDoor => new EngineDoor(config('junction.data').'/engine.sock'),
        );
    }
}
