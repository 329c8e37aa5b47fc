<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

/** Bytes of a universe as pages are shown them: what they are, the length of the universe's id, the id, then the bytes. */
final class Picture
{
    public const LEVELS = 1;
    public const WINNERS = 2;

    /** The first byte says which source. */
    public const SOURCE = 3;

    public static function of(int $what, string $universeId, string $bytes): string
    {
        return \chr($what).\chr(\strlen($universeId)).$universeId.$bytes;
    }
}
