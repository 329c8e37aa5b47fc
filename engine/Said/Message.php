<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** What is said without being asked, with its type. */
abstract readonly class Message extends Said
{
    abstract public static function type(): string;

    public function jsonSerialize(): array
    {
        return ['type' => static::type(), ...parent::jsonSerialize()];
    }
}
