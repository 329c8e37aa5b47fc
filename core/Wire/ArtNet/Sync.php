<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

/** OpSync, 0x5200: show at once what arrived before. Its two Aux bytes are sent as zero and not read. */
final readonly class Sync
{
    public function encode(): string
    {
        return Packet::header(OpCode::Sync)."\0\0";
    }
}
