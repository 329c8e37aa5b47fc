<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\Clock;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Wire\Midi\RealTime;

/** A sequencer starts, goes on, stops, or its clock ticks. */
final readonly class ClockTrigger implements Trigger
{
    private const WORDS = [
        'start' => 'a sequencer starts',
        'continue' => 'a sequencer goes on',
        'stop' => 'a sequencer stops',
        'clock' => 'a clock ticks, 24 times a beat,',
    ];

    public function __construct(public string $port, public string $event)
    {
    }

    public static function kind(): string
    {
        return 'clock';
    }

    public static function label(): string
    {
        return 'A sequencer starts, goes on or stops';
    }

    public static function fields(): array
    {
        return [
            Field::port(),
            Field::word('event', 'It', array_keys(self::WORDS), 'start'),
        ];
    }

    public function keys(): array
    {
        return ["{$this->port} /{$this->event}"];
    }

    public function take(Event $event): ?Taken
    {
        return $event instanceof Heard && $event->message instanceof Clock ? new Taken(1.0, 'takes it') : null;
    }

    public function sample(): Event
    {
        return new Heard($this->port, new Clock(match ($this->event) {
            'start' => RealTime::Start,
            'continue' => RealTime::Continue,
            'stop' => RealTime::Stop,
            default => RealTime::TimingClock,
        }));
    }

    public function words(Wording $wording): string
    {
        return self::WORDS[$this->event]." on {$wording->port($this->port)}";
    }
}
