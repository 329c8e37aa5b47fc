<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

use NimbleJunction\Core\Wire\Layout\Layout;
use NimbleJunction\Core\Wire\Layout\Notation as NotationInterface;
use NimbleJunction\Core\Wire\Layout\Part;
use NimbleJunction\Core\Wire\Layout\Unwritable;
use NimbleJunction\Core\Wire\Malformed;

/** Every Art-Net packet kind, field by field. */
final class Notation implements NotationInterface
{
    public function read(string $bytes): Part
    {
        $packet = Packet::decode($bytes);
        $layout = self::layout(Packet::code($bytes));

        $words = match (true) {
            $packet instanceof Dmx,
            $packet instanceof Nzs,
            $packet instanceof PollReply,
            $packet instanceof TimeCode,
            $packet instanceof Command => $packet->spelled(),
            default => '',
        };

        return Part::group($layout->name, 0, \strlen($bytes), $layout->parts($bytes), $words);
    }

    public function write(array $fields): string
    {
        $number = $fields['OpCode'] ?? null;
        $code = \is_int($number) ? OpCode::tryFrom($number) : null;
        if ($code === null) {
            throw Unwritable::field(
                'OpCode',
                $number,
                'use one of '.implode(', ', array_map(static fn(OpCode $one): string => "{$one->value} ({$one->spelled()})", OpCode::cases())),
            );
        }
        $bytes = self::layout($code)->writePlain($fields);
        try {
            Packet::decode($bytes);
        } catch (Malformed $malformed) {
            throw Unwritable::field($code->spelled(), null, $malformed->getMessage());
        }

        return $bytes;
    }

    private static function layout(OpCode $code): Layout
    {
        return match ($code) {
            OpCode::Poll => Poll::layout(),
            OpCode::PollReply => PollReply::layout(),
            OpCode::Command => Command::layout(),
            OpCode::Dmx => Dmx::layout(),
            OpCode::Nzs => Nzs::layout(),
            OpCode::Sync => Sync::layout(),
            OpCode::Address => Address::layout(),
            OpCode::Input => Input::layout(),
            OpCode::TimeCode => TimeCode::layout(),
            OpCode::Trigger => Trigger::layout(),
            OpCode::IpProg => IpProg::layout(),
            default => Unhandled::layout($code),
        };
    }
}
