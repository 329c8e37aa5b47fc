<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Midi\ChannelKind;
use NimbleJunction\Core\Wire\Midi\ChannelMessage;

/** A key that is down is pressed harder or less. */
final readonly class KeyPressure extends Message implements Encodable
{
    /**
     * @param int $channel 1 to 16
     * @param int $note 0 to 127
     * @param int $pressure 0 to 127
     */
    public function __construct(public int $channel, public int $note, public int $pressure)
    {
        parent::__construct(Protocol::Midi);
    }

    public function address(): string
    {
        return "/key-pressure/{$this->channel}/{$this->note}";
    }

    public function arguments(): array
    {
        return [$this->pressure];
    }

    public function fields(): array
    {
        return ['channel' => $this->channel, 'note' => $this->note, 'pressure' => $this->pressure];
    }

    public function spelled(int $middleC = 4): string
    {
        return 'pressure of '.Pitch::spelled($this->note, $middleC)." on channel {$this->channel} at {$this->pressure}";
    }

    public function encode(): string
    {
        return (new ChannelMessage(ChannelKind::PolyphonicPressure, $this->channel, $this->note, $this->pressure))->encode();
    }
}
