<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\MessageAddress;
use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;

/** An OSC message. */
final readonly class OscTrigger implements Trigger
{
    public function __construct(
        public string $port,
        public string $address,
        public int $argument = 1,
        public int|float|string|null $is = null,
    ) {
    }

    public static function kind(): string
    {
        return 'osc';
    }

    public static function label(): string
    {
        return 'An OSC message';
    }

    public static function fields(): array
    {
        return [
            Field::port(),
            Field::pattern('address', 'Address', MessageAddress::WITH_WILDCARDS, MessageAddress::BEGINS),
            Field::whole('argument', 'Argument, from 1', 1, 64, 1),
            Field::anything('is', 'Only if it is; empty for any', false),
        ];
    }

    public function keys(): array
    {
        return ["{$this->port} {$this->address}"];
    }

    public function take(Event $event): Taken|Missed|null
    {
        $message = $event instanceof Heard ? $event->message : null;
        if (! $message instanceof Osc) {
            return null;
        }
        $arguments = $message->arguments();
        $argument = $arguments[$this->argument - 1] ?? null;
        if ($this->is !== null && (string) $argument !== (string) $this->is) {
            return new Missed("waits for {$this->is} as argument {$this->argument}, ".($argument === null ? 'there is none' : "it is {$argument}"));
        }
        if ($arguments === []) {
            return new Taken(1.0, 'takes it, without a number');
        }
        $number = $message->number($this->argument);
        if ($number === null && $this->is === null) {
            return new Missed("wants a number as argument {$this->argument}, there is none");
        }

        return new Taken((float) ($number ?? 1), "takes argument {$this->argument}");
    }

    public function words(Wording $wording): string
    {
        return $this->address.($this->is === null ? '' : " {$this->is}")." arrives on {$wording->port($this->port)}";
    }
}
