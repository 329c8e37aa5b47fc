<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\Controller;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Wire\Midi\RelativeEncoding;

/** An endless encoder, in steps up or down. */
final readonly class RelativeTrigger extends ChannelTrigger
{
    public function __construct(string $port, ?int $channel, public int $controller, public string $encoding)
    {
        parent::__construct($port, $channel);
    }

    public static function kind(): string
    {
        return 'relative';
    }

    public static function label(): string
    {
        return 'An endless encoder, in steps up or down';
    }

    public static function fields(): array
    {
        return [
            ...self::channelFields(),
            Field::whole('controller', 'Controller, 0 to 127', 0, 127),
            Field::word('encoding', 'How it says its steps', array_column(RelativeEncoding::cases(), 'value'), 'twos-complement'),
        ];
    }

    protected function beginning(): string
    {
        return '/controller';
    }

    protected function parts(): array
    {
        return [$this->channel, $this->controller];
    }

    protected function accept(Message $message): ?Taken
    {
        if (! $message instanceof Controller || $message->bits !== 7 || $message->controller !== $this->controller) {
            return null;
        }

        return new Taken((float) RelativeEncoding::from($this->encoding)->steps($message->value), 'takes its steps');
    }

    protected function sampled(int $channel): Message
    {
        return new Controller($channel, $this->controller, RelativeEncoding::from($this->encoding)->value(1));
    }

    protected function named(Wording $wording): string
    {
        return "encoder {$this->controller}";
    }
}
