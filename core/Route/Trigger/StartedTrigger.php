<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Occurred;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;

/** The engine has begun to run this show. */
final readonly class StartedTrigger implements Trigger
{
    public const WHAT = 'started';

    public static function kind(): string
    {
        return 'started';
    }

    public static function label(): string
    {
        return 'The engine has started';
    }

    public static function fields(): array
    {
        return [];
    }

    public function keys(): array
    {
        return ['*occurred '.self::WHAT];
    }

    public function take(Event $event): ?Taken
    {
        return $event instanceof Occurred ? new Taken(1.0, 'takes the start') : null;
    }

    public function sample(): Event
    {
        return new Occurred(self::WHAT);
    }

    public function words(Wording $wording): string
    {
        return 'the engine has started';
    }
}
