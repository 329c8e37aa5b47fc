<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\Program;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;

/** A program is chosen. */
final readonly class ProgramTrigger extends ChannelTrigger
{
    public function __construct(string $port, ?int $channel, public ?int $program)
    {
        parent::__construct($port, $channel);
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
            ...self::channelFields(),
            Field::whole('program', 'Program, 0 to 127; empty for any', 0, 127, null, false),
        ];
    }

    protected function beginning(): string
    {
        return '/program';
    }

    protected function parts(): array
    {
        return [$this->channel];
    }

    protected function accept(Message $message): Taken|Missed|null
    {
        if (! $message instanceof Program) {
            return null;
        }
        if ($this->program !== null && $message->program !== $this->program) {
            return new Missed("waits for program {$this->program}, it is {$message->program}", ['program' => null]);
        }

        return new Taken((float) $message->program, 'takes its number');
    }

    protected function sampled(int $channel): Message
    {
        return new Program($channel, $this->program ?? 0);
    }

    protected function named(Wording $wording): string
    {
        return $this->program === null ? 'any program' : "program {$this->program}";
    }
}
