<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\Bend;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;

/** Pitch bend, 0 to 16383. */
final readonly class BendTrigger implements Trigger
{
    public function __construct(public string $port, public ?int $channel)
    {
    }

    public static function kind(): string
    {
        return 'bend';
    }

    public static function label(): string
    {
        return 'Pitch bend, 0 to 16383';
    }

    public static function fields(): array
    {
        return [
            Field::port(),
            Field::whole('channel', 'Channel, 1 to 16; empty for any', 1, 16, null, false),
        ];
    }

    public function keys(): array
    {
        return [MidiKey::of($this->port, '/bend', $this->channel)];
    }

    public function take(Event $event): ?Taken
    {
        $message = $event instanceof Heard ? $event->message : null;
        return $message instanceof Bend ? new Taken((float) $message->bend, 'takes its value') : null;
    }

    public function words(Wording $wording): string
    {
        return 'pitch bend'.MidiKey::onChannel($this->channel)." arrives on {$wording->port($this->port)}";
    }
}
