<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;

/** A message that an action sends; what it does not say is the value, texts may have gaps for what arrived. */
interface Sendable extends Kind
{
    /** @return Protocol what its port must speak */
    public static function protocol(): Protocol;

    /** @param Event $event what arrived: texts may have gaps for its fields */
    public function make(float $value, Event $event): Message;

    public function words(Wording $wording): string;
}
