<?php

declare(strict_types=1);

namespace App\Providers;

use App\Live\EngineDoor;
use Illuminate\Support\ServiceProvider;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->singleton(EngineDoor::class, static fn(): EngineDoor => new EngineDoor(config('junction.data').'/engine.sock'));
    }
}
