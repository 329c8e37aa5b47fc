<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Codec;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message as OscMessage;
use NimbleJunction\Core\Wire\Osc\Packet;

final readonly class OscCodec implements Receiver, MessageWriter
{
    public function receive(string $bytes, string $from): array
    {
        return array_map(
            static fn(OscMessage $message): Message => new Message(
                Protocol::Osc,
                $message->address,
                array_map(self::value(...), $message->arguments),
            ),
            Packet::decode($bytes),
        );
    }

    public function write(Message $message): string
    {
        return (new OscMessage($message->address, array_map(Argument::of(...), $message->arguments)))->encode();
    }

    public function spelled(Message $message): string
    {
        return $message->spelled();
    }

    /** Numbers and texts stay what they are, true and false are 1 and 0, and the rest is spelled. */
    private static function value(Argument $argument): int|float|string
    {
        $value = $argument->value;

        return match (true) {
            \is_bool($value) => (int) $value,
            \in_array($argument->tag, ['i', 'f', 'h', 'd', 's', 'S', 'c'], true) && \is_scalar($value) => $value,
            default => trim((new OscMessage('', [$argument]))->spelled()),
        };
    }
}
