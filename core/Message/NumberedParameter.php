<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Midi\WideController;

/** A registered or non-registered parameter has another value, put together from several controllers. */
final readonly class NumberedParameter extends Message implements Encodable
{
    /**
     * @param int $channel 1 to 16
     * @param int $parameter 0 to 16383
     * @param int $value 0 to 16383
     * @param int|null $step 1 or -1 where it is said as a step
     */
    public function __construct(
        public bool $isRegistered,
        public int $channel,
        public int $parameter,
        public int $value,
        public ?int $step = null,
    ) {
        parent::__construct(Protocol::Midi);
    }

    public function address(): string
    {
        return ($this->isRegistered ? '/rpn' : '/nrpn')."/{$this->channel}/{$this->parameter}";
    }

    public function arguments(): array
    {
        return [$this->value];
    }

    public function fields(): array
    {
        return ['channel' => $this->channel, 'parameter' => $this->parameter, 'value' => $this->value];
    }

    public function spelled(int $middleC = 4): string
    {
        return ($this->isRegistered ? 'RPN ' : 'NRPN ')."{$this->parameter} on channel {$this->channel} at {$this->value}";
    }

    public function encode(): string
    {
        return Pieces::encode(new WideController(
            $this->isRegistered ? WideController::REGISTERED : WideController::NON_REGISTERED,
            $this->channel,
            $this->parameter,
            $this->value,
            $this->step,
        ));
    }
}
