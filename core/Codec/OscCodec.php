<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Codec;

use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Postponed;
use NimbleJunction\Core\Wire\Osc\Bundle;
use NimbleJunction\Core\Wire\Osc\Packet;

final readonly class OscCodec implements Receiver, MessageWriter
{
    public function receive(string $bytes, string $from): array
    {
        $packet = Packet::parse($bytes);

        return $packet instanceof Bundle ? self::unpack($packet) : [new Osc($packet)];
    }

    public function write(Message $message): string
    {
        return $message instanceof Osc ? $message->packet->encode() : '';
    }

    /** @return list<Message|Postponed> those of bundles inside too, each with the time of its own bundle */
    private static function unpack(Bundle $bundle): array
    {
        $at = $bundle->timeTag->isImmediate() ? null : $bundle->timeTag->unixNanos();
        $all = [];
        foreach ($bundle->elements as $element) {
            if ($element instanceof Bundle) {
                array_push($all, ...self::unpack($element));
            } else {
                $message = new Osc($element);
                $all[] = $at === null ? $message : new Postponed($message, $at);
            }
        }

        return $all;
    }
}
