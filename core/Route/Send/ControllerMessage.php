<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\Controller;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;

/** A controller. */
final readonly class ControllerMessage implements Sendable
{
    public function __construct(
        public int $channel,
        public int|string $controller,
        public int $bits = 7,
        public int|string|null $value = null,
    ) {
    }

    public static function kind(): string
    {
        return 'controller';
    }

    public static function label(): string
    {
        return 'A controller';
    }

    public static function protocol(): Protocol
    {
        return Protocol::Midi;
    }

    public static function fields(): array
    {
        return [
            Field::whole('channel', 'Channel, 1 to 16', 1, 16),
            Field::wholeOrGap('controller', 'Controller, 0 to 127, or a gap like {n}', 0, 127),
            Field::whole('bits', 'Bits, 7 or 14', 7, 14, 7),
            Field::wholeOrGap('value', 'Value; empty for the value that arrives', 0, 16383, false),
        ];
    }

    public function make(float $value, Event $event): Message
    {
        $controller = Bits::filled($this->controller, $value, $event, 127);
        $isWide = $this->bits > 7 && $controller < 32;

        return new Controller(
            $this->channel,
            $controller,
            Bits::filled($this->value, $value, $event, $isWide ? 16383 : 127),
            $isWide ? 14 : 7,
        );
    }

    public function words(Wording $wording): string
    {
        return "controller {$this->controller} on channel {$this->channel}".($this->value === null ? '' : " at {$this->value}");
    }
}
