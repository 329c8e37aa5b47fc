<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Message\MessageAddress;

/** The end of a route in its short form where a message goes out. */
final readonly class MessageTo implements Kind
{
    public MessageEnd $end;

    public function __construct(string $port, string $address, string $type, float $low, float $high)
    {
        $this->end = new MessageEnd($port, $address, 1, $type, $low, $high);
    }

    public static function kind(): string
    {
        return 'message';
    }

    public static function label(): string
    {
        return 'Message out';
    }

    public static function fields(): array
    {
        return [
            Field::port(),
            Field::pattern('address', 'Address', MessageAddress::PATTERN, MessageAddress::RULE),
            Field::word('type', 'Sent as', ['float', 'int'], 'float'),
            Field::number('low', 'From', -1e9, 1e9, 0.0),
            Field::number('high', 'to', -1e9, 1e9, 1.0),
        ];
    }
}
