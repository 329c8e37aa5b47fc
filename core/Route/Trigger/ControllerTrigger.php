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

/** A controller, in 7 or 14 bits. */
final readonly class ControllerTrigger implements Trigger
{
    public function __construct(public string $port, public ?int $channel, public int $controller, public int $bits = 7)
    {
    }

    public static function kind(): string
    {
        return 'controller';
    }

    public static function label(): string
    {
        return 'A controller, in 7 or 14 bits';
    }

    public static function fields(): array
    {
        return [
            Field::port(),
            Field::whole('channel', 'Channel, 1 to 16; empty for any', 1, 16, null, false),
            Field::whole('controller', 'Controller, 0 to 127', 0, 127),
            Field::whole('bits', 'Bits, 7 or 14', 7, 14, 7),
        ];
    }

    public function keys(): array
    {
        return [MidiKey::of($this->port, $this->bits > 7 ? '/controller-14' : '/controller', $this->channel, $this->controller)];
    }

    public function take(Event $event): ?Taken
    {
        $message = $event instanceof Heard ? $event->message : null;
        if (! $message instanceof Controller || $message->controller !== $this->controller) {
            return null;
        }

        return new Taken((float) $message->value, 'takes its value');
    }

    public function words(Wording $wording): string
    {
        return "controller {$this->controller}".MidiKey::onChannel($this->channel).($this->bits > 7 ? ' in 14 bits' : '')." arrives on {$wording->port($this->port)}";
    }
}
