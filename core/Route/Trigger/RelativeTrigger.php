<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\Controller;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Wire\Midi\RelativeEncoding;

/** An endless encoder, in steps up or down. */
final readonly class RelativeTrigger implements Trigger
{
    public function __construct(public string $port, public ?int $channel, public int $controller, public string $encoding)
    {
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
            Field::port(),
            Field::whole('channel', 'Channel, 1 to 16; empty for any', 1, 16, null, false),
            Field::whole('controller', 'Controller, 0 to 127', 0, 127),
            Field::word('encoding', 'How it says its steps', array_column(RelativeEncoding::cases(), 'value'), 'twos-complement'),
        ];
    }

    public function keys(): array
    {
        return [MidiKey::of($this->port, '/controller', $this->channel, $this->controller)];
    }

    public function take(Event $event): ?Taken
    {
        $message = $event instanceof Heard ? $event->message : null;
        if (! $message instanceof Controller || $message->bits !== 7 || $message->controller !== $this->controller) {
            return null;
        }

        return new Taken((float) RelativeEncoding::from($this->encoding)->steps($message->value), 'takes its steps');
    }

    public function words(Wording $wording): string
    {
        return "encoder {$this->controller}".MidiKey::onChannel($this->channel)." arrives on {$wording->port($this->port)}";
    }
}
