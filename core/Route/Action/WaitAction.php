<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Action;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Pause;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Turn;
use NimbleJunction\Core\Route\Wording;

/** All actions after it are done some time later. */
final readonly class WaitAction implements Action
{
    public function __construct(public float $seconds)
    {
    }

    public static function kind(): string
    {
        return 'wait';
    }

    public static function label(): string
    {
        return 'Wait, and go on with the next';
    }

    public static function fields(): array
    {
        return [
            Field::number('seconds', 'Seconds', 0.001, 3600.0, 1.0),
        ];
    }

    public function perform(float $value, Event $event, Turn $turn, array $place = []): ?Pause
    {
        return $place === [] ? new Pause($this->seconds, [1]) : null;
    }

    public function words(Wording $wording): string
    {
        return 'wait '.Template::number($this->seconds).' s';
    }
}
