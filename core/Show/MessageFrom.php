<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Message\MessageAddress;

/** The end of a route in its short form where a message comes in. */
final readonly class MessageFrom implements Kind
{
    public MessageEnd $end;

    public function __construct(string $port, string $address, int $argument, float $low, float $high)
    {
        $this->end = new MessageEnd($port, $address, $argument, 'float', $low, $high);
    }

    public static function kind(): string
    {
        return 'message';
    }

    public static function label(): string
    {
        return 'Message in';
    }

    public static function fields(): array
    {
        return [
            Field::port(),
            Field::pattern('address', 'Address', MessageAddress::PATTERN, MessageAddress::RULE),
            Field::whole('argument', 'Argument, from 1', 1, 64, 1),
            Field::number('low', 'From', -1e9, 1e9, 0.0),
            Field::number('high', 'to', -1e9, 1e9, 1.0),
        ];
    }
}
