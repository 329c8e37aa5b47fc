<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface\Kind;

use NimbleJunction\Core\Surface\ControlKind;
use NimbleJunction\Core\Surface\Hand;

/** What only shows something: nobody moves it. */
abstract readonly class Showing implements ControlKind
{
    public function axes(): array
    {
        return [];
    }

    public function parts(): array
    {
        return [];
    }

    public function move(string $part, int|float|string $value, Hand $hand): string
    {
        return 'it only shows something';
    }

    public function press(string $part, Hand $hand): string
    {
        return 'it only shows something';
    }

    public function traits(): array
    {
        return [];
    }
}
