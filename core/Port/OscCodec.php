<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Port;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message as OscMessage;
use NimbleJunction\Core\Wire\Osc\Packet;

final readonly class OscCodec implements Receiver
{
    public function receive(string $bytes, string $from): array
    {
        return array_map(
            static fn(OscMessage $message): Message => new Message(
                Protocol::Osc,
                $message->address,
                array_map(static fn(Argument $argument): int|float|string => $argument->value, $message->arguments),
            ),
            Packet::decode($bytes),
        );
    }

    /** The other way: an event as the bytes of one packet. */
    public static function write(Message $message): string
    {
        return (new OscMessage($message->address, array_map(Argument::of(...), $message->arguments)))->encode();
    }
}
