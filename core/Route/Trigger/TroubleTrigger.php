<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\PointChanged;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;

/** A port has been lost, silent, unsteady or at fault for so long: once each time, and not for what is over sooner. */
final readonly class TroubleTrigger implements Trigger
{
    public function __construct(public string $port, public float $seconds)
    {
    }

    public static function kind(): string
    {
        return 'trouble';
    }

    public static function label(): string
    {
        return 'A port has been in trouble for a while';
    }

    public static function fields(): array
    {
        return [
            Field::port(),
            Field::number('seconds', 'For so many seconds', 1.0, 86_400.0, 10.0),
        ];
    }

    public function keys(): array
    {
        return ["*point port:{$this->port}/troubled"];
    }

    public function take(Event $event): ?Taken
    {
        if (! $event instanceof PointChanged || ! is_numeric($event->value)) {
            return null;
        }
        $before = is_numeric($event->before) ? (float) $event->before : 0.0;

        // Seconds may be left out where nobody looked: what counts is that it has come past.
        return $before < $this->seconds && (float) $event->value >= $this->seconds
            ? new Taken((float) $event->value, 'takes for how many seconds it has been')
            : null;
    }

    public function sample(): Event
    {
        $point = Reference::parse("port:{$this->port}/troubled") ?? throw new \LogicException('a port has an id');

        return new PointChanged($point, (int) ceil($this->seconds), 0);
    }

    public function words(Wording $wording): string
    {
        return "{$wording->port($this->port)} has been in trouble for ".Template::number($this->seconds).' s';
    }
}
