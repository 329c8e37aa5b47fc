<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Midi\ChannelKind;
use NimbleJunction\Core\Wire\Midi\ChannelMessage;

/** A program is chosen. */
final readonly class Program extends Message implements Encodable
{
    /**
     * @param int $channel 1 to 16
     * @param int $program 0 to 127
     */
    public function __construct(public int $channel, public int $program)
    {
        parent::__construct(Protocol::Midi);
    }

    public function address(): string
    {
        return "/program/{$this->channel}";
    }

    public function arguments(): array
    {
        return [$this->program];
    }

    public function fields(): array
    {
        return ['channel' => $this->channel, 'program' => $this->program];
    }

    public function spelled(int $middleC = 4): string
    {
        return "program on channel {$this->channel} at {$this->program}";
    }

    public function encode(): string
    {
        return (new ChannelMessage(ChannelKind::ProgramChange, $this->channel, $this->program))->encode();
    }
}
