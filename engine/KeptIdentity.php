<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Core\Plan\Identity;

/** Who this machine is on the network: made once and kept (the component identifier of ANSI E1.31-2018, 5.6). */
final class KeptIdentity
{
    private const FILE = 'identity';
    private const BYTES = 16;

    /** @param string $directory '' for one that is not kept */
    public static function of(string $directory): Identity
    {
        if ($directory === '') {
            return new Identity(random_bytes(self::BYTES));
        }
        $file = "{$directory}/".self::FILE;
        $kept = is_file($file) ? (string) @hex2bin(trim((string) file_get_contents($file))) : '';
        if (\strlen($kept) === self::BYTES) {
            return new Identity($kept);
        }
        $made = random_bytes(self::BYTES);
        @file_put_contents($file, bin2hex($made));

        return new Identity($made);
    }
}
