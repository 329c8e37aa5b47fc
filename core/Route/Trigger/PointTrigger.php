<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\PointChanged;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;

/** A point changes, or comes to a value; what is a text stands in messages as {text}. */
final readonly class PointTrigger implements Trigger
{
    public function __construct(public Reference $point, public int|float|string|null $is = null)
    {
    }

    public static function kind(): string
    {
        return 'point';
    }

    public static function label(): string
    {
        return 'A point changes, or comes to a value';
    }

    public static function fields(): array
    {
        return [
            Field::point(),
            Field::anything('is', 'Only where it becomes; empty for any change', false),
        ];
    }

    public function keys(): array
    {
        return [PointChanged::key($this->point)];
    }

    public function take(Event $event): Taken|Missed|null
    {
        if (! $event instanceof PointChanged) {
            return null;
        }
        if ($this->is !== null && (string) $event->value !== (string) $this->is) {
            return new Missed("waits for {$this->is}, it is ".($event->value ?? 'nothing'), ['is' => null]);
        }

        return new Taken(
            is_numeric($event->value) ? (float) $event->value : 1.0,
            'takes its value',
            \is_string($event->value) ? ['text' => $event->value] : [],
        );
    }

    public function sample(): Event
    {
        return new PointChanged($this->point, $this->is ?? 1, 0);
    }

    public function words(Wording $wording): string
    {
        return $wording->point($this->point->text()).($this->is === null ? ' changes' : " becomes {$this->is}");
    }
}
