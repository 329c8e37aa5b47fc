<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Document\Kind;

/** What a route does. */
interface Action extends Kind
{
    /** @param Event $event what arrived: texts may have gaps for its fields */
    public function perform(float $value, Event $event, Turn $turn): void;

    /** @return string what it does, as a command */
    public function words(Wording $wording): string;
}
