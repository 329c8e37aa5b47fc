<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Occurred;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;

/** The show has been edited, and the engine runs what it is now. */
final readonly class ShowTrigger implements Trigger
{
    public const WHAT = 'show';

    public static function kind(): string
    {
        return 'show';
    }

    public static function label(): string
    {
        return 'The show has been edited, or another one opened';
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
        return $event instanceof Occurred ? new Taken(1.0, 'takes the edit') : null;
    }

    public function sample(): Event
    {
        return new Occurred(self::WHAT);
    }

    public function words(Wording $wording): string
    {
        return 'the show has been edited';
    }
}
