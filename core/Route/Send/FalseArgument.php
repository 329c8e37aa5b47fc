<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Wire\Osc\Argument;

/** False. */
final readonly class FalseArgument implements SendArgument
{
    public function __construct()
    {
    }

    public static function kind(): string
    {
        return 'false';
    }

    public static function label(): string
    {
        return 'False';
    }

    public static function fields(): array
    {
        return [];
    }

    public function make(float $value, Event $event): Argument
    {
        return Argument::tagged('F', false);
    }

    public function words(): string
    {
        return 'false';
    }
}
