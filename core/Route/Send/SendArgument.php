<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Wire\Osc\Argument;

/** One argument of an OSC message that is sent. */
interface SendArgument extends Kind
{
    /** @param Event $event what arrived: texts may have gaps for its fields */
    public function make(float $value, Event $event): Argument;

    public function words(): string;
}
