<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\Program;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;

/** A program. */
final readonly class ProgramMessage implements Sendable
{
    public function __construct(public int $channel, public ?int $program = null)
    {
    }

    public static function kind(): string
    {
        return 'program';
    }

    public static function label(): string
    {
        return 'A program';
    }

    public static function protocol(): Protocol
    {
        return Protocol::Midi;
    }

    public static function fields(): array
    {
        return [
            Field::whole('channel', 'Channel, 1 to 16', 1, 16),
            Field::whole('program', 'Program, 0 to 127; empty for the value', 0, 127, null, false),
        ];
    }

    public function make(float $value, Event $event): Message
    {
        return new Program($this->channel, $this->program ?? Bits::held($value, 127));
    }

    public function words(Wording $wording): string
    {
        return 'program'.($this->program === null ? '' : " {$this->program}")." on channel {$this->channel}";
    }
}
