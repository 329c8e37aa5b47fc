<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Wire\Osc\Argument;

/** True. */
final readonly class TrueArgument implements SendArgument
{
    public function __construct()
    {
    }

    public static function kind(): string
    {
        return 'true';
    }

    public static function label(): string
    {
        return 'True';
    }

    public static function fields(): array
    {
        return [];
    }

    public function make(float $value, Event $event): Argument
    {
        return Argument::tagged('T', true);
    }

    public function words(): string
    {
        return 'true';
    }
}
