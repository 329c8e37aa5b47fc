<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Codec;

use NimbleJunction\Core\Message\TimeCode;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Wire\ArtNet\TimeCode as Packet;

/** Times of a time code as Art-Net packets. */
final readonly class ArtNetTimeWriter implements MessageWriter
{
    public function write(Message $message): string
    {
        if (! $message instanceof TimeCode) {
            return '';
        }
        $time = $message->time;

        return (new Packet($time->hours, $time->minutes, $time->seconds, $time->frames, $time->rate->value))->encode();
    }
}
