<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

/** A value of 14 bits that came as several controllers: a controller pair, or a registered or non-registered parameter. */
final readonly class WideController
{
    public const PAIR = 'controller';
    public const REGISTERED = 'RPN';
    public const NON_REGISTERED = 'NRPN';

    /**
     * @param string $kind one of the constants
     * @param int $channel 1 to 16
     * @param int $number controller 0–31, or parameter 0–16383
     * @param int $value 0 to 16383
     * @param int|null $step +1 or −1 from data increment and decrement; null for a value
     */
    public function __construct(
        public string $kind,
        public int $channel,
        public int $number,
        public int $value,
        public ?int $step = null,
    ) {
    }

    /**
     * The controllers that say it: number, then value, high part first.
     *
     * @return list<ChannelMessage>
     */
    public function messages(): array
    {
        $say = fn(int $controller, int $value): ChannelMessage => ChannelMessage::controlChange(
            $this->channel,
            $controller,
            $value,
        );
        if ($this->kind === self::PAIR) {
            return [$say($this->number, $this->value >> 7), $say($this->number + 32, $this->value & 127)];
        }
        [$high, $low] = $this->kind === self::REGISTERED ? [101, 100] : [99, 98];
        $number = [$say($high, $this->number >> 7), $say($low, $this->number & 127)];

        return $this->step !== null
            ? [...$number, $say($this->step > 0 ? 96 : 97, 0)]
            : [...$number, $say(6, $this->value >> 7), $say(38, $this->value & 127)];
    }
}
