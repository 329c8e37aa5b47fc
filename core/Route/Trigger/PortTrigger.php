<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Port\State;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\PointChanged;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;

/** A port is there, is gone, or loses frames. A port of messages that only keeps silent is not gone. */
final readonly class PortTrigger implements Trigger
{
    private const STATES = ['gained', 'lost', 'unsteady'];

    public function __construct(public string $port, public string $state)
    {
    }

    public static function kind(): string
    {
        return 'port';
    }

    public static function label(): string
    {
        return 'A port is there, gone or unsteady';
    }

    public static function fields(): array
    {
        return [
            Field::port(),
            Field::word('state', 'It is', self::STATES, 'lost'),
        ];
    }

    public function keys(): array
    {
        return ["*point port:{$this->port}/".($this->state === 'unsteady' ? 'steady' : 'alive')];
    }

    public function take(Event $event): ?Taken
    {
        return $event instanceof PointChanged && $this->isMeant($event)
            ? new Taken(1.0, "takes that it is {$this->state}")
            : null;
    }

    public function sample(): Event
    {
        return new PointChanged(
            Reference::parse("port:{$this->port}/alive") ?? throw new \LogicException('a port has an id'),
            match ($this->state) {
                'gained' => State::Alive->value,
                'lost' => State::Lost->value,
                default => 0,
            },
            null,
        );
    }

    public function words(Wording $wording): string
    {
        return "{$wording->port($this->port)} is {$this->state}";
    }

    private function isMeant(PointChanged $event): bool
    {
        $isThere = [State::Alive->value, State::Unsteady->value, State::Silent->value, State::Quiet->value];
        $isGone = [State::Lost->value, State::Fault->value, State::Off->value];

        return match ($this->state) {
            'gained' => \in_array($event->value, $isThere, true) && ! \in_array($event->before, $isThere, true),
            'lost' => \in_array($event->value, $isGone, true) && ! \in_array($event->before, $isGone, true),
            default => $event->value === 0,
        };
    }
}
