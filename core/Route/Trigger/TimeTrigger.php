<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Occurred;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;

/** A minute of the day begins, every day. */
final readonly class TimeTrigger implements Trigger
{
    /** What has happened begins with this, and ends with the time. */
    public const WHAT = 'time ';

    public function __construct(public string $at)
    {
    }

    public static function kind(): string
    {
        return 'time';
    }

    public static function label(): string
    {
        return 'It is a time of the day';
    }

    public static function fields(): array
    {
        return [
            Field::pattern('at', 'At, like 19:30', '#^(?:[01]\d|2[0-3]):[0-5]\d$#D', 'Use hours and minutes, like 19:30.'),
        ];
    }

    public function keys(): array
    {
        return ['*occurred '.self::WHAT.$this->at];
    }

    public function take(Event $event): ?Taken
    {
        return $event instanceof Occurred ? new Taken(1.0, 'takes the time') : null;
    }

    public function sample(): Event
    {
        return new Occurred(self::WHAT.$this->at, ['time' => $this->at]);
    }

    public function words(Wording $wording): string
    {
        return "it is {$this->at}";
    }
}
