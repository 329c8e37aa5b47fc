<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\NumberedParameter;
use NimbleJunction\Core\Route\Send\Bits;
use NimbleJunction\Core\Route\Showing;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;

/** A registered or non-registered parameter has another value, 0 to 16383, put together from several controllers. */
abstract readonly class NumberedParameterTrigger extends ChannelTrigger implements Showing
{
    /** @param int|null $parameter 0 to 16383; null for any */
    public function __construct(string $port, ?int $channel, public ?int $parameter)
    {
        parent::__construct($port, $channel);
    }

    public static function fields(): array
    {
        return [
            ...self::channelFields(),
            Field::whole('parameter', 'Parameter, 0 to 16383; empty for any', 0, 16383, null, false),
        ];
    }

    abstract protected function isRegistered(): bool;

    protected function beginning(): string
    {
        return $this->isRegistered() ? '/rpn' : '/nrpn';
    }

    protected function parts(): array
    {
        return [$this->channel, $this->parameter];
    }

    protected function accept(Message $message): ?Taken
    {
        $isOurs = $message instanceof NumberedParameter
            && $message->isRegistered === $this->isRegistered()
            && ($this->parameter === null || $message->parameter === $this->parameter);

        return $isOurs ? new Taken((float) $message->value, 'takes its value') : null;
    }

    protected function sampled(int $channel): Message
    {
        return new NumberedParameter($this->isRegistered(), $channel, $this->parameter ?? 0, 8192);
    }

    protected function named(Wording $wording): string
    {
        $kind = $this->isRegistered() ? 'RPN' : 'NRPN';

        return $this->parameter === null ? "any {$kind}" : "{$kind} {$this->parameter}";
    }

    public function shows(float $value): ?Message
    {
        return $this->channel === null || $this->parameter === null
            ? null
            : new NumberedParameter($this->isRegistered(), $this->channel, $this->parameter, Bits::held($value, 16383));
    }
}
