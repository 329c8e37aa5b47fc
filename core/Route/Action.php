<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Document\Kind;

/** What a route does. */
interface Action extends Kind
{
    /** @param array<string, int|float|string> $fields what arrived, by name */
    public function perform(float $value, array $fields, Turn $turn): void;

    /** @return string what it does, as a command */
    public function words(Wording $wording): string;
}
