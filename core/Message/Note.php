<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Midi\ChannelMessage;

/** A note begins or ends. */
final readonly class Note extends Message implements Encodable
{
    /**
     * @param int $channel 1 to 16
     * @param int $note 0 to 127
     * @param int $velocity 0 to 127; 0 where it ends
     */
    public function __construct(public int $channel, public int $note, public int $velocity)
    {
        parent::__construct(Protocol::Midi);
    }

    public function address(): string
    {
        return "/note/{$this->channel}/{$this->note}";
    }

    public function arguments(): array
    {
        return [$this->velocity];
    }

    public function fields(): array
    {
        return ['channel' => $this->channel, 'note' => $this->note, 'velocity' => $this->velocity];
    }

    public function spelled(int $middleC = 4): string
    {
        return Pitch::spelled($this->note, $middleC)." on channel {$this->channel}"
            .($this->velocity === 0 ? ' ends' : ", velocity {$this->velocity}");
    }

    public function encode(): string
    {
        return ($this->velocity === 0
            ? ChannelMessage::noteOff($this->channel, $this->note)
            : ChannelMessage::noteOn($this->channel, $this->note, $this->velocity))->encode();
    }
}
