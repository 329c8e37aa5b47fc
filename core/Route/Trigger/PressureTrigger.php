<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Message\Pressure;
use NimbleJunction\Core\Route\Send\Bits;
use NimbleJunction\Core\Route\Showing;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;

/** A channel is pressed harder or less, 0 to 127. */
final readonly class PressureTrigger extends ChannelTrigger implements Showing
{
    public static function kind(): string
    {
        return 'pressure';
    }

    public static function label(): string
    {
        return 'Channel pressure, 0 to 127';
    }

    public static function fields(): array
    {
        return self::channelFields();
    }

    protected function beginning(): string
    {
        return '/pressure';
    }

    protected function parts(): array
    {
        return [$this->channel];
    }

    protected function accept(Message $message): ?Taken
    {
        return $message instanceof Pressure ? new Taken((float) $message->pressure, 'takes its value') : null;
    }

    protected function sampled(int $channel): Message
    {
        return new Pressure($channel, 100);
    }

    protected function named(Wording $wording): string
    {
        return 'channel pressure';
    }

    public function shows(float $value): ?Message
    {
        return $this->channel === null ? null : new Pressure($this->channel, Bits::held($value, 127));
    }
}
