<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Core\Check\Finding;
use NimbleJunction\Core\Check\Network;
use NimbleJunction\Core\Check\Observed;
use NimbleJunction\Core\Check\TwoBoxes;
use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Show\LinkKind;
use NimbleJunction\Core\Show\PortEntry;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Engine\Net\Adapters;
use NimbleJunction\Engine\Net\CannotListen;
use NimbleJunction\Engine\Net\Listener;
use NimbleJunction\Engine\Net\Machines;
use NimbleJunction\Engine\Net\Place;
use NimbleJunction\Engine\Net\UdpSocket;
use NimbleJunction\Engine\Said\FindingFix;
use NimbleJunction\Engine\Said\FindingLine;
use NimbleJunction\Engine\Said\Findings;
use NimbleJunction\Engine\Said\Stray;
use Revolt\EventLoop;

/**
 * One look at a link that does not talk, as long as somebody asks: meanwhile
 * the neighbouring port numbers are listened at, and the other end's machine
 * is asked whether anything listens there.
 */
final class Diagnosis
{
    /** After so long without a question the neighbouring ports are let go. */
    private const PATIENCE_SECONDS = 5.0;
    /** Links that somebody has to be connected to. */
    private const CONNECTIONS = [LinkKind::Tcp, LinkKind::Session, LinkKind::Browser, LinkKind::Cable];
    private const LATELY_NANOS = 60_000_000_000;

    /** @var array<string, Listener> by "address:port" */
    private array $listeners = [];

    /** @var array<string, resource> sockets that ask whether anything listens, by "address:port" */
    private array $doors = [];

    /** @var array<string, true> */
    private array $deaf = [];
    private ?string $timer = null;
    private readonly Junction $junction;

    public function __construct(
        private readonly Engine $engine,
        public readonly PortEntry $port,
        private readonly PortReport $report,
        private readonly Overheard $overheard,
    ) {
        $this->junction = $engine->junction;
        $this->listenBeside();
    }

    /** Art-Net and sACN have one number that everybody uses; with OSC the two numbers of a link are easily swapped. */
    private function listenBeside(): void
    {
        $port = $this->port;
        $receive = $port->receive;
        if (
            $this->listeners === []
            && $port->link->kind === LinkKind::Udp
            && $receive !== null
            && $port->protocol === Protocol::Osc
        ) {
            foreach (array_unique([$port->send->port ?? 0, $receive->port - 1, $receive->port + 1]) as $number) {
                $number > 0 && $number < 65536 && $this->listen($receive->address, $number);
            }
        }
    }

    public function findings(string $other): Findings
    {
        EventLoop::cancel($this->timer ?? '');
        $this->timer = EventLoop::delay(self::PATIENCE_SECONDS, $this->close(...));
        $this->listenBeside();
        $this->askOtherEnds();
        $this->wakeMachine($other);
        $now = Engine::now();
        $elsewhere = [];
        foreach ($this->junction->plan()->ports as $id => $port) {
            if ((string) $id !== $this->port->id) {
                $elsewhere[$port['name']] = $this->junction->activity((string) $id)->senders;
            }
        }
        $mine = array_filter(
            $this->report->strays($now, self::LATELY_NANOS),
            fn(Stray $one): bool => \in_array($this->port->id, $one->ports, true),
        );
        $seen = new Observed(
            $this->junction->activity($this->port->id),
            array_values(array_map(static fn(Stray $one): array => ['number' => $one->number, 'from' => $one->from], $mine)),
            $this->knocks($now),
            $elsewhere,
            array_keys($this->deaf),
            $this->junction->neighbours()->all($now),
            $this->connected(),
            $this->overheard->arrivals(),
            Machines::known(),
        );

        $isOn = $this->junction->plan()->ports[$this->port->id]['enabled'] ?? $this->port->enabled;
        $found = TwoBoxes::check($this->port, $isOn, $seen, new Network(Adapters::all()), $other, $now);

        return new Findings(array_map(static fn(Finding $one): FindingLine => new FindingLine(
            $one->state,
            $one->question,
            $one->words,
            $one->remedy,
            $one->fix === null ? null : new FindingFix($one->fix['label'], $one->fix['changes']),
        ), $found));
    }

    /** @return list<array{port: int, from: string, at: int}> at numbers that may have been meant for this port */
    private function knocks(int $now): array
    {
        $receive = $this->port->receive->port ?? 0;
        $near = [$this->port->send->port ?? 0, $receive - 1, $receive + 1];

        return array_values(
            array_filter($this->overheard->knocks($now), static fn(array $one): bool => \in_array($one['port'], $near, true)),
        );
    }

    /** @return list<string>|null */
    private function connected(): ?array
    {
        $via = $this->junction->plan()->ports[$this->port->id]['via'] ?? '';

        return \in_array($this->port->link->kind, self::CONNECTIONS, true) ? $this->engine->transports->connected($via) : null;
    }

    public function close(): void
    {
        EventLoop::cancel($this->timer ?? '');
        foreach ($this->listeners as $listener) {
            $listener->close();
        }
        array_map(fclose(...), $this->doors);
        $this->listeners = $this->doors = [];
    }

    private function listen(string $address, int $number): void
    {
        try {
            $this->listeners["{$address}:{$number}"] = new Listener(
                UdpSocket::bind(Place::oneAddress($address), $number),
                64,
                function (string $bytes, string $from) use ($number): void {
                    $this->overheard->knock($number, $from);
                },
                static function (): void {
                },
            );
        } catch (CannotListen) {
            // Somebody of ours, or another program, listens there: then it is no stray.
        }
    }

    /**
     * Something has to be sent to a machine of our own networks before the system finds out whether it is there: an empty
     * datagram, which every protocol leaves out.
     */
    private function wakeMachine(string $other): void
    {
        $number = $this->port->receive->port ?? 0;
        $isOurs = (new Network(Adapters::all()))->facing($other) !== null;
        if ($number === 0 || ! $isOurs || $this->port->link->kind !== LinkKind::Udp || str_starts_with($other, '127.')) {
            return;
        }
        $socket = @stream_socket_client("udp://{$other}:{$number}", $code, $message, 0.2);
        if ($socket !== false) {
            stream_set_blocking($socket, false);
            @stream_socket_sendto($socket, '');
            fclose($socket);
        }
    }

    /**
     * An empty datagram to where we send: a machine where nothing listens says so, and every protocol leaves an empty one
     * out.
     */
    private function askOtherEnds(): void
    {
        $send = $this->port->send;
        if ($send === null || $this->port->link->kind !== LinkKind::Udp || $send->group(1) !== null) {
            return;
        }
        foreach ($send->to as $to) {
            $where = "{$to}:{$send->port}";
            if (! isset($this->doors[$where])) {
                $socket = @stream_socket_client("udp://{$where}", $code, $message, 0.2);
                if ($socket === false) {
                    continue;
                }
                stream_set_blocking($socket, false);
                $this->doors[$where] = $socket;
                // A refusal of this one is met by the next: at once on this machine, at the next question on another.
                @stream_socket_sendto($socket, '');
            }
            $taken = @stream_socket_sendto($this->doors[$where], '');
            if (\is_int($taken) && $taken >= 0) {
                unset($this->deaf[$where]);
            } else {
                $this->deaf[$where] = true;
            }
        }
    }
}
