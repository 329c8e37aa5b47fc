<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Occurred;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;

/** A point is pressed: by a person, by another route, at a surface. */
final readonly class PressedTrigger implements Trigger
{
    public function __construct(public Reference $point)
    {
    }

    public static function kind(): string
    {
        return 'pressed';
    }

    public static function label(): string
    {
        return 'A point is pressed';
    }

    public static function fields(): array
    {
        return [Field::point()];
    }

    public function keys(): array
    {
        return [self::key($this->point)];
    }

    public static function key(Reference $point): string
    {
        return '*occurred '.self::what($point);
    }

    public static function what(Reference $point): string
    {
        return "pressed {$point->text()}";
    }

    public function take(Event $event): ?Taken
    {
        return $event instanceof Occurred ? new Taken(1.0, 'takes the press') : null;
    }

    public function sample(): Event
    {
        return new Occurred(self::what($this->point), ['point' => $this->point->text()]);
    }

    public function words(Wording $wording): string
    {
        return "{$wording->point($this->point->text())} is pressed";
    }
}
