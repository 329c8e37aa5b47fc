<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Said\Said;

/** A guest is sent away: the page closes, and its visit is over. */
final readonly class SendAway implements Order, InShowMode
{
    public function __construct(private int $page)
    {
    }

    public static function kind(): string
    {
        return 'send-away';
    }

    public static function label(): string
    {
        return 'Send a guest away';
    }

    public static function fields(): array
    {
        return [Field::whole('page', 'Page', 1, \PHP_INT_MAX)];
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
        if (! $reach->people->sendAway($this->page)) {
            throw new CommandRefused('There is no such guest any more.');
        }

        return null;
    }
}
