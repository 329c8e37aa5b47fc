<?php

declare(strict_types=1);

namespace App\Providers;

use App\Database\Connector;
use App\Live\EngineDoor;
use App\Session\Files;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Session\SessionManager;
use Illuminate\Support\ServiceProvider;

final class AppServiceProvider extends ServiceProvider
{
    public function boot(SessionManager $sessions, Filesystem $files): void
    {
        $sessions->extend(
            'file',
            static fn(): Files => new Files($files, (string) config('session.files'), (int) config('session.lifetime')),
        );
    }

    public function register(): void
    {
        $this->app->bind('db.connector.sqlite', Connector::class);
        $this->app->singleton(
            EngineDoor::class,
            static fn(): EngineDoor => new EngineDoor(config('junction.data').'/engine.sock'),
        );
    }
}
