<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

use NimbleJunction\Core\Plan\Endpoint;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Port\Departure;
use NimbleJunction\Core\Port\OscCodec;
use Revolt\EventLoop;

/** All UDP sockets of a plan: opens what is new, closes what is gone, and leaves alone what stays. */
final class Sockets
{
    /** Datagrams taken from one socket before the others have their turn: a flood on one must not starve the rest. */
    private const TURN = 32;

    /** @var array<string, UdpSocket> by the key of the endpoint, or "address:0" */
    private array $sockets = [];

    /** @var array<string, string> callback by socket key */
    private array $callbacks = [];

    /** @var array<string, string> by endpoint: why it cannot listen */
    private array $faults = [];

    /** @param \Closure(string, string, int, string): void $arrived endpoint key, address, port, bytes */
    public function __construct(private readonly \Closure $arrived)
    {
    }

    /** @return array<string, string> by endpoint key: why it cannot listen */
    public function adopt(Plan $plan): array
    {
        $wanted = $plan->endpoints;
        foreach ($plan->outlets as $outlets) {
            foreach ($outlets as $outlet) {
                foreach ($outlet->targets as $target) {
                    $wanted[$target->via] ??= null;
                }
            }
        }
        foreach ($plan->messageTargets as $targets) {
            foreach ($targets as $target) {
                $wanted[$target->via] ??= null;
            }
        }
        foreach (array_diff_key($this->sockets, $wanted) as $key => $socket) {
            $this->drop($key, $socket);
        }
        $this->faults = [];
        foreach ($wanted as $key => $endpoint) {
            try {
                $endpoint === null ? $this->openSender($key) : $this->openListener($endpoint);
            } catch (CannotListen $cannot) {
                $this->faults[$key] = $cannot->getMessage();
            }
        }

        return $this->faults;
    }

    public function hasFaults(): bool
    {
        return $this->faults !== [];
    }

    /** @return string what went wrong, or '' */
    public function send(Departure $departure): string
    {
        $socket = $this->sockets[$departure->via] ?? null;

        return $socket === null
            ? ($this->faults[$departure->via] ?? 'there is no socket to send from')
            : $socket->send($departure->bytes, $departure->address, $departure->port);
    }

    public function close(): void
    {
        foreach ($this->sockets as $key => $socket) {
            $this->drop($key, $socket);
        }
    }

    private function openListener(Endpoint $endpoint): void
    {
        $socket = $this->sockets[$endpoint->key] ?? null;
        if ($socket === null) {
            $socket = UdpSocket::bind($endpoint->address, $endpoint->port, $endpoint->groups !== []);
            $this->sockets[$endpoint->key] = $socket;
            $longest = $endpoint->receiver instanceof OscCodec ? 65535 : 2048;
            $this->callbacks[$endpoint->key] = EventLoop::onReadable($socket->stream(), function () use ($socket, $endpoint, $longest): void {
                for ($turn = 0; $turn < self::TURN; ++$turn) {
                    $datagram = $socket->receive($longest);
                    if ($datagram === null) {
                        return;
                    }
                    ($this->arrived)($endpoint->key, $datagram[1], $datagram[2], $datagram[0]);
                }
            });
        }
        $adapter = $endpoint->adapter ?? $endpoint->address;
        $socket->leaveOthers($endpoint->groups, $adapter);
        foreach ($endpoint->groups as $group) {
            $socket->join($group, $adapter);
        }
    }

    /** @param string $key "address:0" */
    private function openSender(string $key): void
    {
        if (isset($this->sockets[$key])) {
            return;
        }
        $address = substr($key, 0, -2);
        $socket = UdpSocket::bind($address, 0);
        $socket->multicastFrom($address);
        $this->sockets[$key] = $socket;
    }

    private function drop(string $key, UdpSocket $socket): void
    {
        EventLoop::cancel($this->callbacks[$key] ?? '');
        $socket->close();
        unset($this->sockets[$key], $this->callbacks[$key]);
    }
}
