<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field\TextList;
use NimbleJunction\Engine\Said\Said;

/** All devices that the page lends from now on. */
final readonly class Lend implements Order, InShowMode
{
    private const MOST = 64;

    /** @param list<string> $devices "midi NAME" or "controller NAME" */
    public function __construct(private array $devices)
    {
    }

    public static function kind(): string
    {
        return 'lend';
    }

    public static function label(): string
    {
        return 'Lend devices';
    }

    public static function fields(): array
    {
        return [
            new TextList('devices', 'Devices', self::MOST, 206),
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
        $reach->lending->lend($reach->client, $this->devices);

        return null;
    }
}
