<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Midi\ChannelMessage;

/** The pitch is bent. */
final readonly class Bend extends Message implements Encodable
{
    /**
     * @param int $channel 1 to 16
     * @param int $bend 0 to 16383; 8192 is the middle
     */
    public function __construct(public int $channel, public int $bend)
    {
        parent::__construct(Protocol::Midi);
    }

    public function address(): string
    {
        return "/bend/{$this->channel}";
    }

    public function arguments(): array
    {
        return [$this->bend];
    }

    public function fields(): array
    {
        return ['channel' => $this->channel, 'bend' => $this->bend];
    }

    public function spelled(int $middleC = 4): string
    {
        return "pitch bend on channel {$this->channel} at {$this->bend}";
    }

    public function encode(): string
    {
        return ChannelMessage::pitchBend($this->channel, $this->bend)->encode();
    }
}
