<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Midi\ChannelKind;
use NimbleJunction\Core\Wire\Midi\ChannelMessage;

/** A channel is pressed harder or less. */
final readonly class Pressure extends Message implements Encodable
{
    /**
     * @param int $channel 1 to 16
     * @param int $pressure 0 to 127
     */
    public function __construct(public int $channel, public int $pressure)
    {
        parent::__construct(Protocol::Midi);
    }

    public function address(): string
    {
        return "/pressure/{$this->channel}";
    }

    public function arguments(): array
    {
        return [$this->pressure];
    }

    public function fields(): array
    {
        return ['channel' => $this->channel, 'pressure' => $this->pressure];
    }

    public function spelled(int $middleC = 4): string
    {
        return "pressure on channel {$this->channel} at {$this->pressure}";
    }

    public function encode(): string
    {
        return (new ChannelMessage(ChannelKind::ChannelPressure, $this->channel, $this->pressure))->encode();
    }
}
