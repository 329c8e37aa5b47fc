<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\Exclusive;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;

/** System Exclusive that begins so. */
final readonly class SysexTrigger implements Trigger
{
    public function __construct(public string $port, public string $begins)
    {
    }

    public static function kind(): string
    {
        return 'sysex';
    }

    public static function label(): string
    {
        return 'System Exclusive that begins so';
    }

    public static function fields(): array
    {
        return [
            Field::port(),
            Field::text('begins', 'Begins with, in hexadecimal'),
        ];
    }

    public function keys(): array
    {
        return ["{$this->port} /system-exclusive"];
    }

    public function take(Event $event): Taken|Missed|null
    {
        $message = $event instanceof Heard ? $event->message : null;
        $wanted = strtolower(str_replace(' ', '', $this->begins));
        if (! $message instanceof Exclusive) {
            return null;
        }

        return str_starts_with($message->hex(), $wanted) ? new Taken(1.0, 'takes it') : new Missed("waits for {$wanted}, it begins with ".substr($message->hex(), 0, \strlen($wanted)));
    }

    public function words(Wording $wording): string
    {
        return "System Exclusive {$this->begins}"." arrives on {$wording->port($this->port)}";
    }
}
