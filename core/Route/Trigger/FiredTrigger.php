<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Occurred;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;

/** Another route has acted. */
final readonly class FiredTrigger implements Trigger, Checked
{
    public function __construct(public Reference $point)
    {
    }

    public static function kind(): string
    {
        return 'fired';
    }

    public static function label(): string
    {
        return 'Another route has acted';
    }

    public static function fields(): array
    {
        return [Field::point('point', 'Route')];
    }

    public function check(Fields $fields): void
    {
        if ($this->point->kind !== 'route' || $this->point->part !== '') {
            $fields->fault('point', "it is {$this->point->text()}", 'Name a route, like route:doors.');
        }
    }

    public function keys(): array
    {
        return ['*occurred '.self::what($this->point->id)];
    }

    public static function what(string $routeId): string
    {
        return "fired {$routeId}";
    }

    public function take(Event $event): ?Taken
    {
        return $event instanceof Occurred ? new Taken((float) ($event->fields()['value'] ?? 1.0), 'takes its value') : null;
    }

    public function sample(): Event
    {
        return new Occurred(self::what($this->point->id), ['value' => 1.0]);
    }

    public function words(Wording $wording): string
    {
        return "{$wording->point($this->point->text())} has acted";
    }
}
