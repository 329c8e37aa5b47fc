<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Core\Check\Arrivals;
use NimbleJunction\Core\Show\LinkKind;
use NimbleJunction\Core\Show\PortEntry;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Engine\Net\Adapters;
use NimbleJunction\Engine\Net\CannotListen;
use NimbleJunction\Engine\Net\Counters;
use NimbleJunction\Engine\Net\Listener;
use NimbleJunction\Engine\Net\Place;
use NimbleJunction\Engine\Net\UdpSocket;
use Revolt\EventLoop;

/**
 * What came to this machine in the last minute and reached no port of ours. As
 * long as a port of messages hears nothing it listens at the number that it
 * sends to as well: with crossed numbers that is where its other end speaks to.
 * It lets go as soon as the port hears something, and never does so at an
 * address that it sends to: whoever is there would be robbed.
 */
final class Overheard
{
    private const LOOK_SECONDS = 1.0;
    private const LATELY_NANOS = 60_000_000_000;
    private const QUIET_NANOS = 2_000_000_000;
    private const RETRY_NANOS = 15_000_000_000;
    private const MOST = 32;

    private readonly Counters $counters;

    /** @var array<string, Listener> by port */
    private array $listeners = [];

    /** @var array<string, array{port: int, from: string, at: int}> */
    private array $knocks = [];

    /** @var array<string, int> when a number that was taken is tried again, by port */
    private array $takenUntil = [];

    public function __construct(private readonly Engine $engine)
    {
        $this->counters = new Counters();
        EventLoop::unreference(EventLoop::repeat(self::LOOK_SECONDS, $this->look(...)));
        // What is listened at may be what the next plan needs.
        $engine->beforeOpening($this->close(...));
    }

    /** @return list<array{port: int, from: string, at: int}> packets of the last minute, by the number that they came to */
    public function knocks(int $now): array
    {
        $this->knocks = array_filter($this->knocks, static fn(array $one): bool => $now - $one['at'] < self::LATELY_NANOS);

        return array_values($this->knocks);
    }

    public function knock(int $port, string $from): void
    {
        if (\count($this->knocks) < self::MOST || isset($this->knocks["{$port} {$from}"])) {
            $this->knocks["{$port} {$from}"] = ['port' => $port, 'from' => $from, 'at' => Engine::now()];
        }
    }

    public function arrivals(): Arrivals
    {
        return $this->counters->lately();
    }

    public function close(): void
    {
        foreach ($this->listeners as $listener) {
            $listener->close();
        }
        $this->listeners = [];
    }

    private function look(): void
    {
        $this->counters->look(intdiv(Engine::now(), 1_000_000_000));
        $wanted = [];
        $adapters = null;
        foreach ($this->engine->show()->ports as $port) {
            if (
                \count($wanted) < self::MOST
                && $this->mayBeCrossed($port)
                && ! $this->isRobbery($port, $adapters ??= Adapters::now())
            ) {
                $wanted[$port->id] = $port;
            }
        }
        $now = Engine::now();
        $this->takenUntil = array_filter($this->takenUntil, static fn(int $until): bool => $now < $until);
        foreach (array_diff_key($this->listeners, $wanted) as $id => $listener) {
            $listener->close();
            unset($this->listeners[$id]);
        }
        foreach (array_diff_key($wanted, $this->listeners, $this->takenUntil) as $port) {
            $this->listen($port);
        }
    }

    private function mayBeCrossed(PortEntry $port): bool
    {
        $receive = $port->receive;
        $send = $port->send;
        if ($receive === null || $send === null || $port->protocol !== Protocol::Osc || $port->link->kind !== LinkKind::Udp) {
            return false;
        }
        $activity = $this->engine->junction->activity($port->id);

        $isQuiet = $activity->heardAt === null || Engine::now() - $activity->heardAt > self::QUIET_NANOS;

        return $port->receives() && $send->port !== 0 && $send->port !== $receive->port
            && $isQuiet && $activity->fault === '';
    }

    private function isRobbery(PortEntry $port, Adapters $adapters): bool
    {
        $ours = $port->receive->address ?? Place::EVERYWHERE;
        foreach ($port->send->to ?? [] as $address) {
            $isHere = str_starts_with($address, '127.') || $adapters->find($address) !== null;
            if ($address === $ours || ($isHere && ($ours === Place::EVERYWHERE || ! str_starts_with($ours, '127.')))) {
                return true;
            }
        }

        return false;
    }

    private function listen(PortEntry $port): void
    {
        $number = $port->send->port ?? 0;
        $address = $port->receive->address ?? Place::EVERYWHERE;
        try {
            $address = Place::oneAddress($address);
            if (UdpSocket::isTaken($address, $number)) {
                $this->takenUntil[$port->id] = Engine::now() + self::RETRY_NANOS;

                return;
            }
            $this->listeners[$port->id] = new Listener(
                UdpSocket::bind($address, $number),
                64,
                fn(string $bytes, string $from) => $this->knock($number, $from),
                static function (): void {
                },
            );
        } catch (CannotListen) {
            // Another program listens there: then it is no stray.
            $this->takenUntil[$port->id] = Engine::now() + self::RETRY_NANOS;
        }
    }
}
