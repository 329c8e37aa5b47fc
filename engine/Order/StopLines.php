<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Live\Programme\LiveProgramme;
use NimbleJunction\Engine\Said\Said;

/** No more lines are sent to the desk. */
final readonly class StopLines implements Order, InShowMode
{
    public static function kind(): string
    {
        return 'stop-lines';
    }

    public static function label(): string
    {
        return 'Stop sending lines';
    }

    public static function fields(): array
    {
        return [];
    }

    public static function isForOperators(): bool
    {
        return true;
    }

    public static function answers(): ?string
    {
        return null;
    }

    public function obey(Reach $reach): ?Said
    {
        $reach->done($reach->engine->run(static fn(LiveProgramme $programme): string => $programme->deskRun->stop()));

        return null;
    }
}
