<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show\Side;

use NimbleJunction\Core\Document\Field;

/** OSC comes in. */
final readonly class OscReceive extends ReceiveSide
{
    public function __construct(bool $enabled, string $address, int $port)
    {
        parent::__construct($enabled, $address, $port, []);
    }

    public static function fields(): array
    {
        return [
            self::addressField(),
            Field::whole('port', 'Our receive port (UDP)', 1, 65535)->offering(8000)->only('link/kind', 'udp'),
            Field::whole('port', 'Our receive port (TCP)', 1, 65535)->offering(8000)->only('link/kind', 'tcp'),
            self::enabledField(),
        ];
    }
}
