<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\Program;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;

/** A program is chosen. */
final readonly class ProgramTrigger implements Trigger
{
    public function __construct(public string $port, public ?int $channel, public ?int $program)
    {
    }

    public static function kind(): string
    {
        return 'program';
    }

    public static function label(): string
    {
        return 'A program is chosen';
    }

    public static function fields(): array
    {
        return [
            Field::port(),
            Field::whole('channel', 'Channel, 1 to 16; empty for any', 1, 16, null, false),
            Field::whole('program', 'Program, 0 to 127; empty for any', 0, 127, null, false),
        ];
    }

    public function keys(): array
    {
        return [MidiKey::of($this->port, '/program', $this->channel)];
    }

    public function take(Event $event): Taken|Missed|null
    {
        $message = $event instanceof Heard ? $event->message : null;
        if (! $message instanceof Program) {
            return null;
        }
        if ($this->program !== null && $message->program !== $this->program) {
            return new Missed("waits for program {$this->program}, it is {$message->program}");
        }

        return new Taken((float) $message->program, 'takes its number');
    }

    public function words(Wording $wording): string
    {
        return ($this->program === null ? 'any program' : "program {$this->program}").MidiKey::onChannel($this->channel)." arrives on {$wording->port($this->port)}";
    }
}
