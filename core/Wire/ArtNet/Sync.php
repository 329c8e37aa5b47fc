<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

use NimbleJunction\Core\Wire\Layout\Field;
use NimbleJunction\Core\Wire\Layout\Layout;
use NimbleJunction\Core\Wire\Malformed;

/** OpSync, 0x5200: show at once what arrived before. Its two Aux bytes are sent as zero and not read. */
final readonly class Sync
{
    /** @throws Malformed */
    public static function decode(string $bytes): self
    {
        self::layout()->read($bytes);

        return new self();
    }

    public function encode(): string
    {
        return self::layout()->write([]);
    }

    public static function layout(): Layout
    {
        return Header::layout('ArtSync', OpCode::Sync, 14, Field::number('Aux1', 1), Field::number('Aux2', 1));
    }
}
