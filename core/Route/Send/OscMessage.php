<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message as Packet;

/** An OSC message. */
final readonly class OscMessage implements Sendable
{
    public function __construct(public string $address, /** @var list<SendArgument> */ public array $arguments = [])
    {
    }

    public static function kind(): string
    {
        return 'osc';
    }

    public static function label(): string
    {
        return 'An OSC message';
    }

    public static function protocol(): Protocol
    {
        return Protocol::Osc;
    }

    public static function fields(): array
    {
        return [
            Field::text('address', 'Address, like /cue/{cue}/start'),
            Field::parts('arguments', 'Arguments', 'argument'),
        ];
    }

    public function make(float $value, Event $event): Message
    {
        $arguments = array_map(static fn(SendArgument $one): Argument => $one->make($value, $event), $this->arguments);

        return new Osc(new Packet(OscWords::address(Template::fill($this->address, $value, $event)), $arguments));
    }

    public function words(Wording $wording): string
    {
        return $this->address.implode('', array_map(static fn(SendArgument $one): string => ' '.$one->words(), $this->arguments));
    }
}
