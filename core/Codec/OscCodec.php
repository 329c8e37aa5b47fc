<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Codec;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Postponed;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Bundle;
use NimbleJunction\Core\Wire\Osc\Message as OscMessage;
use NimbleJunction\Core\Wire\Osc\Packet;

final readonly class OscCodec implements Receiver, MessageWriter
{
    public function receive(string $bytes, string $from): array
    {
        $packet = Packet::parse($bytes);

        return $packet instanceof Bundle ? self::unpack($packet) : [self::message($packet)];
    }

    public function write(Message $message): string
    {
        return (new OscMessage($message->address, array_map(Argument::of(...), $message->arguments)))->encode();
    }

    public function spelled(Message $message): string
    {
        return $message->spelled();
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
                $message = self::message($element);
                $all[] = $at === null ? $message : new Postponed($message, $at);
            }
        }

        return $all;
    }

    private static function message(OscMessage $message): Message
    {
        return new Message(Protocol::Osc, $message->address, array_map(self::value(...), $message->arguments));
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
