<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\MessageAddress;
use NimbleJunction\Core\Message\MidiAddress;
use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Showing;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;

/** Any message, by its address: that of OSC, or the one that our own names give to others. */
final readonly class MessageTrigger implements Showing
{
    private string $takes;

    public function __construct(public string $port, public string $address, public int $argument = 1)
    {
        $this->takes = "takes argument {$argument}";
    }

    public static function kind(): string
    {
        return 'message';
    }

    public static function label(): string
    {
        return 'A message, by its address';
    }

    public static function fields(): array
    {
        return [
            Field::port(),
            Field::pattern('address', 'Address', MessageAddress::PATTERN, MessageAddress::RULE),
            Field::whole('argument', 'Argument, from 1', 1, 64, 1),
        ];
    }

    public function keys(): array
    {
        return ["{$this->port} {$this->address}"];
    }

    public function take(Event $event): Taken|Missed|null
    {
        if (! $event instanceof Heard) {
            return null;
        }
        $number = $event->message->number($this->argument);

        return $number === null
            ? new Missed("wants a number as argument {$this->argument}, there is none")
            : new Taken((float) $number, $this->takes);
    }

    public function sample(): Event
    {
        return new Heard(
            $this->port,
            MidiAddress::parse($this->address)?->message(100) ?? Osc::of($this->address, array_fill(0, $this->argument, 1.0)),
        );
    }

    public function words(Wording $wording): string
    {
        $what = MidiAddress::parse($this->address)?->spelled($wording->middleC()) ?? $this->address;

        return "{$what} arrives on {$wording->port($this->port)}";
    }

    public function shows(float $value): ?Message
    {
        $midi = MidiAddress::parse($this->address);

        return $midi?->message($value) ?? ($this->argument === 1 ? Osc::of($this->address, [$value]) : null);
    }
}
