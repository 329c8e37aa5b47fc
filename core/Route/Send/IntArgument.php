<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Wire\Osc\Argument;

/** A whole number. */
final readonly class IntArgument implements SendArgument
{
    public function __construct(public ?int $value = null)
    {
    }

    public static function kind(): string
    {
        return 'int';
    }

    public static function label(): string
    {
        return 'A whole number';
    }

    public static function fields(): array
    {
        return [Field::whole('value', 'Value; empty for the value that arrives', -2147483648, 2147483647, null, false)];
    }

    public function make(float $value, Event $event): Argument
    {
        return Argument::int($this->value ?? (int) floor(max(-2147483648.0, min(2147483647.0, $value)) + 0.5));
    }

    public function words(): string
    {
        return $this->value === null ? 'its value as a whole number' : (string) $this->value;
    }
}
