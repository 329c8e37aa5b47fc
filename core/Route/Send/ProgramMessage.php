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
    public function __construct(public int $channel, public int|string|null $program = null)
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
            Field::wholeOrGap('program', 'Program, 0 to 127, or a gap; empty for the value', 0, 127, false),
        ];
    }

    public function make(float $value, Event $event): Message
    {
        return new Program($this->channel, Bits::filled($this->program, $value, $event, 127));
    }

    public function words(Wording $wording): string
    {
        return 'program'.($this->program === null ? '' : " {$this->program}")." on channel {$this->channel}";
    }
}
