<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Wire\Midi\ChannelMessage;
use NimbleJunction\Core\Wire\Midi\WideController;

/** The controllers that a wide value is sent as. */
final class Pieces
{
    public static function encode(WideController $wide): string
    {
        return implode('', array_map(static fn(ChannelMessage $one): string => $one->encode(), $wide->messages()));
    }
}
