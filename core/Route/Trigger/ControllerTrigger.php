<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Message\Controller;
use NimbleJunction\Core\Route\Send\Bits;
use NimbleJunction\Core\Route\Showing;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;

/** A controller, in 7 or 14 bits. */
final readonly class ControllerTrigger extends ChannelTrigger implements Checked, Showing
{
    /** MIDI 1.0, "Control Change": 0 to 31 have their finer part in 32 to 63 (from memory). */
    private const HIGHEST_WIDE = 31;

    public function __construct(string $port, ?int $channel, public int $controller, public int $bits = 7)
    {
        parent::__construct($port, $channel);
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
            ...self::channelFields(),
            Field::whole('controller', 'Controller, 0 to 127', 0, 127),
            Field::whole('bits', 'Bits, 7 or 14', 7, 14, 7),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->bits !== 7 && $this->bits !== 14) {
            $fields->fault('bits', "it is {$this->bits}", 'Use 7 or 14.');
        }
        if ($this->bits === 14 && $this->controller > self::HIGHEST_WIDE) {
            $fields->fault(
                'controller',
                "it is {$this->controller}",
                'Of 14 bits are controllers 0 to 31; their finer part comes 32 above.',
            );
        }
    }

    protected function beginning(): string
    {
        return $this->bits === 14 ? '/controller-14' : '/controller';
    }

    protected function parts(): array
    {
        return [$this->channel, $this->controller];
    }

    protected function accept(Message $message): ?Taken
    {
        if (! $message instanceof Controller || $message->bits !== $this->bits || $message->controller !== $this->controller) {
            return null;
        }

        return new Taken((float) $message->value, 'takes its value');
    }

    protected function sampled(int $channel): Message
    {
        return new Controller($channel, $this->controller, $this->bits === 14 ? 8192 : 100, $this->bits);
    }

    protected function named(Wording $wording): string
    {
        return "controller {$this->controller}".($this->bits === 14 ? ' in 14 bits' : '');
    }

    public function shows(float $value): ?Message
    {
        return $this->channel === null
            ? null
            : new Controller(
                $this->channel,
                $this->controller,
                Bits::held($value, $this->bits === 14 ? 16383 : 127),
                $this->bits,
            );
    }
}
