<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Signal\Message;

/** A message has come in at a port. */
final readonly class Heard implements Event
{
    /** At the end of a trigger's key: it takes every address that begins so. No address has it (OSC 1.0 does not allow "#"). */
    public const ANY = '/#';

    public function __construct(public string $portId, public Message $message, public string $from = '')
    {
    }

    public function keys(): array
    {
        return array_map(fn(string $address): string => "{$this->portId} {$address}", self::addresses($this->message->address()));
    }

    /** @return list<string> an address, and what it begins with: "/note/1/60", "/note/1", "/note" */
    public static function addresses(string $address): array
    {
        $addresses = [$address];
        for ($i = 0; $i < 3 && ($end = (int) strrpos($address, '/')) > 0; ++$i) {
            $address = substr($address, 0, $end);
            $addresses[] = $address;
        }

        return $addresses;
    }

    public function fields(): array
    {
        return $this->message->fields();
    }
}
