<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Message\KeyPressure;
use NimbleJunction\Core\Message\Pitch;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;

/** A key that is down is pressed harder or less, 0 to 127. */
final readonly class KeyPressureTrigger extends ChannelTrigger
{
    public function __construct(string $port, ?int $channel, public ?int $note)
    {
        parent::__construct($port, $channel);
    }

    public static function kind(): string
    {
        return 'key-pressure';
    }

    public static function label(): string
    {
        return 'Key pressure, 0 to 127';
    }

    public static function fields(): array
    {
        return [
            ...self::channelFields(),
            self::noteField(),
        ];
    }

    protected function beginning(): string
    {
        return '/key-pressure';
    }

    protected function parts(): array
    {
        return [$this->channel, $this->note];
    }

    protected function accept(Message $message): ?Taken
    {
        if (! $message instanceof KeyPressure || ($this->note !== null && $message->note !== $this->note)) {
            return null;
        }

        return new Taken((float) $message->pressure, 'takes its value');
    }

    protected function sampled(int $channel): Message
    {
        return new KeyPressure($channel, $this->note ?? 60, 100);
    }

    protected function named(Wording $wording): string
    {
        return 'pressure of '.($this->note === null ? 'any key' : Pitch::spelled($this->note, $wording->middleC()));
    }
}
