<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Something goes out by a device that this page lends. */
final readonly class LentNews extends Message
{
    /**
     * @param string $bytes hexadecimal
     */
    public function __construct(
        public string $device,
        public string $bytes,
    ) {
    }

    public static function type(): string
    {
        return 'lent';
    }
}
