<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Action;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Pause;
use NimbleJunction\Core\Route\Send\Sendable;
use NimbleJunction\Core\Route\Turn;
use NimbleJunction\Core\Route\Wording;

/** Send a message. */
final readonly class SendAction implements Action
{
    public function __construct(public string $port, public Sendable $message)
    {
    }

    public static function kind(): string
    {
        return 'send';
    }

    public static function label(): string
    {
        return 'Send a message';
    }

    public static function fields(): array
    {
        return [
            Field::port(),
            Field::part('message', 'Message', 'message'),
        ];
    }

    public function perform(float $value, Event $event, Turn $turn, array $place = []): ?Pause
    {
        $turn->send($this->port, $this->message->make($value, $event));

        return null;
    }

    public function words(Wording $wording): string
    {
        return "send {$this->message->words($wording)} on {$wording->port($this->port)}";
    }
}
