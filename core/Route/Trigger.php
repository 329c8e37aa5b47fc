<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Document\Kind;

/** When a route is to act: one class a kind, with its fields, its matching and its words. */
interface Trigger extends Kind
{
    /** @return list<string> what an event must have one of to be looked at */
    public function keys(): array;

    /** @return Taken|Missed|null null where the event is none of its own */
    public function take(Event $event): Taken|Missed|null;

    /** @return Event one that it takes: what a text may speak of is seen in it before anything has arrived */
    public function sample(): Event;

    /** @return string to follow "When" */
    public function words(Wording $wording): string;
}
