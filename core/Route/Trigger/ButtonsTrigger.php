<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\Controller;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;

/** Two buttons that count up and down, as "data increment" and "data decrement" of MIDI 1.0 are (96 and 97, from memory). */
final readonly class ButtonsTrigger extends ChannelTrigger
{
    public function __construct(string $port, ?int $channel, public int $up = 96, public int $down = 97)
    {
        parent::__construct($port, $channel);
    }

    public static function kind(): string
    {
        return 'buttons';
    }

    public static function label(): string
    {
        return 'Two buttons that count up and down';
    }

    public static function fields(): array
    {
        return [
            ...self::channelFields(),
            Field::whole('up', 'Controller of the button up, 0 to 127', 0, 127, 96),
            Field::whole('down', 'Controller of the button down, 0 to 127', 0, 127, 97),
        ];
    }

    public function keys(): array
    {
        $beginning = "{$this->port} {$this->beginning()}";

        return $this->channel === null
            ? [$beginning.Heard::ANY]
            : array_values(array_unique([
                "{$beginning}/{$this->channel}/{$this->up}",
                "{$beginning}/{$this->channel}/{$this->down}",
            ]));
    }

    protected function beginning(): string
    {
        return '/controller';
    }

    protected function parts(): array
    {
        return [$this->channel];
    }

    /** Buttons that also say when they are let go do so with 0; 96 and 97 may carry any value. */
    protected function accept(Message $message): ?Taken
    {
        if (
            ! $message instanceof Controller
            || $message->bits !== 7
            || ! \in_array($message->controller, [$this->up, $this->down], true)
        ) {
            return null;
        }
        $isLetGo = $message->value === 0 && ! \in_array($message->controller, [96, 97], true);

        return $isLetGo ? null : new Taken($message->controller === $this->up ? 1.0 : -1.0, 'takes its step');
    }

    protected function sampled(int $channel): Message
    {
        return new Controller($channel, $this->up, 127);
    }

    protected function named(Wording $wording): string
    {
        return "button up (controller {$this->up}) or down ({$this->down})";
    }
}
