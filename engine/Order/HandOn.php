<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Engine\Said\Said;

/** Something came from a device that the page lends. */
final readonly class HandOn implements Order, InShowMode
{
    private const LONGEST = 131_072;

    public function __construct(private string $device, private string $bytes, private string $state)
    {
    }

    public static function kind(): string
    {
        return 'lent';
    }

    public static function label(): string
    {
        return 'Hand on';
    }

    public static function fields(): array
    {
        return [
            Field::text('device', 'Device', null, 206),
            Field::textOrNone('bytes', 'Bytes of a MIDI device, hexadecimal', self::LONGEST),
            Field::textOrNone('state', 'State of a game controller', self::LONGEST),
        ];
    }

    public static function isForOperators(): bool
    {
        return true;
    }

    public static function answers(): ?string
    {
        return null;
    }

    public function obey(Reach $reach): ?Said
    {
        $reach->lending->heard($reach->client, $this->device, $this->bytes, $this->state);

        return null;
    }
}
