<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Said\Findings;
use NimbleJunction\Engine\Said\Said;

/** Why do two boxes not talk? */
final readonly class CheckPort implements Order
{
    public function __construct(private string $port, private string $other)
    {
    }

    public static function kind(): string
    {
        return 'check';
    }

    public static function label(): string
    {
        return 'Check a port';
    }

    public static function fields(): array
    {
        return [
            Field::port(),
            Field::textOrNone('other', 'Address of the other end', 60),
        ];
    }

    /** It opens sockets, and sends to whatever address is given. */
    public static function isForOperators(): bool
    {
        return true;
    }

    public static function answers(): string
    {
        return Findings::class;
    }

    public function obey(Reach $reach): Said
    {
        $port = $reach->engine->show()->ports[$this->port]
            ?? throw new CommandRefused("There is no port \"{$this->port}\" in the show.");
        $other = trim($this->other);
        if ($other !== '' && filter_var($other, \FILTER_VALIDATE_IP, \FILTER_FLAG_IPV4) === false) {
            throw new CommandRefused(
                "\"{$other}\" is no IPv4 address: four numbers from 0 to 255 with points between, like 192.168.1.10.",
            );
        }

        return $reach->checks->of($port, $other);
    }
}
