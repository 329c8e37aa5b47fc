<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\Exclusive;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Midi\SystemExclusive;

/** System Exclusive. */
final readonly class SysexMessage implements Sendable
{
    public function __construct(public string $data)
    {
    }

    public static function kind(): string
    {
        return 'sysex';
    }

    public static function label(): string
    {
        return 'System Exclusive';
    }

    public static function protocol(): Protocol
    {
        return Protocol::Midi;
    }

    public static function fields(): array
    {
        return [
            Field::text('data', 'Bytes in hexadecimal, F0 to F7; {value} for the value in one byte'),
        ];
    }

    public function make(float $value, Event $event): Message
    {
        $hex = strtolower(str_replace(' ', '', strtr($this->data, ['{value}' => \sprintf('%02x', Bits::held($value, 127))])));
        $bytes = preg_match('/^f0([0-7][0-9a-f])*f7$/D', $hex) === 1 ? (string) hex2bin($hex) : "\xF0\xF7";

        return new Exclusive(new SystemExclusive(substr($bytes, 1, -1)));
    }

    public function words(Wording $wording): string
    {
        return "System Exclusive {$this->data}";
    }
}
