<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Document\Kind;

/** What a route does. */
interface Action extends Kind
{
    /**
     * @param Event $event what arrived: texts may have gaps for its fields
     * @param list<int> $place where within it a pause has ended and it goes on; empty at its beginning
     *
     * @return Pause|null where it has to wait, and goes on later
     */
    public function perform(float $value, Event $event, Turn $turn, array $place = []): ?Pause;

    /** @return string what it does, as a command */
    public function words(Wording $wording): string;
}
