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

    /** @var array<string, Listener> by "address:port" */
    private array $listeners = [];

    /** @var array<string, array{port: int, from: string}> */
    private array $knocks = [];

    /** @var array<string, resource> sockets that ask whether anything listens, by "address:port" */
    private array $doors = [];

    /** @var array<string, true> */
    private array $deaf = [];
    private ?string $timer = null;

    public function __construct(
        private readonly Junction $junction,
        public readonly PortEntry $port,
        private readonly PortReport $report,
    ) {
        $this->listenBeside();
    }

    /** Art-Net and sACN have one number that everybody uses; with OSC the two numbers of a link are easily swapped. */
    private function listenBeside(): void
    {
        $port = $this->port;
        $receive = $port->receive;
        if ($this->listeners === [] && $port->link->kind === LinkKind::Udp && $receive !== null && $port->protocol === Protocol::Osc) {
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
        $now = Engine::now();
        $elsewhere = [];
        foreach ($this->junction->plan()->ports as $id => $port) {
            if ((string) $id !== $this->port->id) {
                $elsewhere[$port['name']] = $this->junction->activity((string) $id)->senders;
            }
        }
        $mine = array_filter($this->report->strays($now), fn(Stray $one): bool => \in_array($this->port->id, $one->ports, true));
        $seen = new Observed(
            $this->junction->activity($this->port->id),
            array_values(array_map(static fn(Stray $one): array => ['number' => $one->number, 'from' => $one->from], $mine)),
            array_values($this->knocks),
            $elsewhere,
            array_keys($this->deaf),
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
                    $this->knocks["{$number} {$from}"] = ['port' => $number, 'from' => $from];
                },
                static function (): void {
                },
            );
        } catch (CannotListen) {
            // Somebody of ours, or another program, listens there: then it is no stray.
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
