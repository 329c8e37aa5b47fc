<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Live\Programme\LiveProgramme;
use NimbleJunction\Engine\Said\Said;

/** Recording ends, and what was recorded waits; or what waits is thrown away. */
final readonly class EndRecording implements Order
{
    public function __construct(private bool $forgets)
    {
    }

    public static function kind(): string
    {
        return 'end-recording';
    }

    public static function label(): string
    {
        return 'End a recording';
    }

    public static function fields(): array
    {
        return [Field::flag('forgets', 'What was recorded is thrown away', false)];
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
        $reach->done($reach->engine->run(function (LiveProgramme $programme, int $now): string {
            if (! $this->forgets) {
                return $programme->recorder->stop($now);
            }
            $programme->recorder->forget();

            return '';
        }));

        return null;
    }
}
