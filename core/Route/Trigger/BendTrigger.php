<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Message\Bend;
use NimbleJunction\Core\Route\Send\Bits;
use NimbleJunction\Core\Route\Showing;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;

/** Pitch bend, 0 to 16383. */
final readonly class BendTrigger extends ChannelTrigger implements Showing
{
    public static function kind(): string
    {
        return 'bend';
    }

    public static function label(): string
    {
        return 'Pitch bend, 0 to 16383';
    }

    public static function fields(): array
    {
        return self::channelFields();
    }

    protected function beginning(): string
    {
        return '/bend';
    }

    protected function parts(): array
    {
        return [$this->channel];
    }

    protected function accept(Message $message): ?Taken
    {
        return $message instanceof Bend ? new Taken((float) $message->bend, 'takes its value') : null;
    }

    protected function sampled(int $channel): Message
    {
        return new Bend($channel, 8192);
    }

    protected function named(Wording $wording): string
    {
        return 'pitch bend';
    }

    public function shows(float $value): ?Message
    {
        return $this->channel === null ? null : new Bend($this->channel, Bits::held($value, 16383));
    }
}
