<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Wire\Osc\Argument;

/** A float. */
final readonly class FloatArgument implements SendArgument
{
    public function __construct(public ?float $value = null)
    {
    }

    public static function kind(): string
    {
        return 'float';
    }

    public static function label(): string
    {
        return 'A float';
    }

    public static function fields(): array
    {
        return [Field::number('value', 'Value; empty for the value that arrives', -1e9, 1e9, null, false)];
    }

    public function make(float $value, Event $event): Argument
    {
        return Argument::float($this->value ?? $value);
    }

    public function words(): string
    {
        return $this->value === null ? 'its value' : Template::number($this->value);
    }
}
