<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Midi\ChannelMessage;
use NimbleJunction\Core\Wire\Midi\WideController;

/** A controller has another value, in 7 bits or, put together from two, in 14. */
final readonly class Controller extends Message implements Encodable
{
    /**
     * @param int $channel 1 to 16
     * @param int $controller 0 to 127; 0 to 31 for 14 bits
     * @param int $value 0 to 127, or to 16383
     * @param int $bits 7 or 14
     */
    public function __construct(public int $channel, public int $controller, public int $value, public int $bits = 7)
    {
        parent::__construct(Protocol::Midi);
    }

    public function address(): string
    {
        return ($this->bits === 7 ? '/controller' : '/controller-14')."/{$this->channel}/{$this->controller}";
    }

    public function arguments(): array
    {
        return [$this->value];
    }

    public function fields(): array
    {
        return ['channel' => $this->channel, 'controller' => $this->controller, 'value' => $this->value];
    }

    public function spelled(int $middleC = 4): string
    {
        return "controller {$this->controller} on channel {$this->channel}".($this->bits === 7 ? '' : ' in 14 bits')
            ." at {$this->value}";
    }

    public function encode(): string
    {
        return $this->bits === 7
            ? ChannelMessage::controlChange($this->channel, $this->controller, $this->value)->encode()
            : Pieces::encode(new WideController(WideController::PAIR, $this->channel, $this->controller, $this->value));
    }
}
