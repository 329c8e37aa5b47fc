<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Action;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Pause;
use NimbleJunction\Core\Route\Turn;
use NimbleJunction\Core\Route\Wording;

/** What a route was to do later is stopped: its delays, its ramps. */
final readonly class StopAction implements Action, Checked
{
    public function __construct(public Reference $point)
    {
    }

    public static function kind(): string
    {
        return 'stop';
    }

    public static function label(): string
    {
        return 'Stop what a route was to do later';
    }

    public static function fields(): array
    {
        return [
            Field::point('point', 'Route'),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->point->kind !== 'route') {
            $fields->fault('point', "it is {$this->point->text()}", 'Name a route, like route:doors.');
        }
    }

    public function perform(float $value, Event $event, Turn $turn, array $place = []): ?Pause
    {
        $turn->stop($this->point);

        return null;
    }

    public function words(Wording $wording): string
    {
        return "stop what {$wording->point($this->point->text())} was to do later";
    }
}
