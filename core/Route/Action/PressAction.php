<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Action;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Pause;
use NimbleJunction\Core\Route\Turn;
use NimbleJunction\Core\Route\Wording;

/** Press a point. */
final readonly class PressAction implements Action
{
    public function __construct(public Reference $point)
    {
    }

    public static function kind(): string
    {
        return 'press';
    }

    public static function label(): string
    {
        return 'Press a point';
    }

    public static function fields(): array
    {
        return [
            Field::point(),
        ];
    }

    public function perform(float $value, Event $event, Turn $turn, array $place = []): ?Pause
    {
        $turn->press($this->point);

        return null;
    }

    public function words(Wording $wording): string
    {
        return "press {$wording->point($this->point->text())}";
    }
}
