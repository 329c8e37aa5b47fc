<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Occurred;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;

/** A sender of a universe has come or gone. */
final readonly class SourceTrigger implements Trigger
{
    public const STATES = ['gained', 'lost'];

    public function __construct(public string $universe, public string $state)
    {
    }

    public static function what(string $universe, string $state): string
    {
        return "source {$universe} {$state}";
    }

    public static function kind(): string
    {
        return 'source';
    }

    public static function label(): string
    {
        return 'A source of levels comes or goes';
    }

    public static function fields(): array
    {
        return [
            Field::universe(),
            Field::word('state', 'It is', self::STATES, 'lost'),
        ];
    }

    public function keys(): array
    {
        return ['*occurred '.self::what($this->universe, $this->state)];
    }

    public function take(Event $event): ?Taken
    {
        return $event instanceof Occurred ? new Taken(1.0, "takes that it is {$this->state}") : null;
    }

    public function sample(): Event
    {
        return new Occurred(self::what($this->universe, $this->state));
    }

    public function words(Wording $wording): string
    {
        return "a source of {$this->universe} is {$this->state}";
    }
}
