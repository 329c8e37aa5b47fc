<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

/** What becomes of a look when it is pressed. */
enum Recall: string
{
    case Toggle = 'toggle';
    case Latched = 'latched';
    case Momentary = 'momentary';
    case Once = 'once';

    public const TITLES = [
        'toggle' => 'it comes on; pressed again, it goes off',
        'latched' => 'it comes on, and stays until something else releases it',
        'momentary' => 'it is on as long as it is pressed',
        'once' => 'it comes on, and goes off when it is complete',
    ];

    public function words(): string
    {
        return match ($this) {
            self::Toggle => 'a press turns it on or off',
            self::Latched => 'a press turns it on',
            self::Momentary => 'it is on as long as it is pressed',
            self::Once => 'a press runs it once',
        };
    }
}
