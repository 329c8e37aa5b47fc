<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

use NimbleJunction\Core\Codec\OscCodec;
use NimbleJunction\Core\Plan\Endpoint;
use NimbleJunction\Core\Port\Departure;

/** All UDP sockets of a plan: opens what is new, closes what is gone, and leaves alone what stays. */
final class Sockets
{
    /** @var array<string, Listener> by the key of the endpoint */
    private array $listeners = [];

    /** @var array<string, UdpSocket> by "address:0": only sent from */
    private array $senders = [];

    /** @var array<string, string> by endpoint: why it cannot listen */
    private array $faults = [];

    public function __construct(private readonly World $world)
    {
    }

    /**
     * @param array<string, Endpoint> $endpoints by key
     * @param list<string> $vias local ends that are only sent from, "address:0"
     *
     * @return array<string, string> by key: why it cannot be used
     */
    public function adopt(array $endpoints, array $vias): array
    {
        $wanted = $endpoints + array_fill_keys($vias, null);
        foreach (array_diff_key($this->listeners, $wanted) as $key => $listener) {
            $listener->close();
            unset($this->listeners[$key]);
        }
        foreach (array_diff_key($this->senders, $wanted) as $key => $socket) {
            $socket->close();
            unset($this->senders[$key]);
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

    /** Whether some port is so crowded that $drained is called every two milliseconds anyway. */
    public function isPaced(): bool
    {
        foreach ($this->listeners as $listener) {
            if ($listener->isPaced()) {
                return true;
            }
        }

        return false;
    }

    /** @return string what went wrong, or '' */
    public function send(Departure $departure): string
    {
        $socket = $this->senders[$departure->via] ?? $this->listeners[$departure->via]->socket ?? null;

        return $socket === null
            ? ($this->faults[$departure->via] ?? 'there is no socket to send from')
            : $socket->send($departure->bytes, $departure->address, $departure->port);
    }

    public function close(): void
    {
        foreach ([...$this->listeners, ...$this->senders] as $socket) {
            $socket->close();
        }
        $this->listeners = $this->senders = [];
    }

    private function openListener(Endpoint $endpoint): void
    {
        $listener = $this->listeners[$endpoint->key] ??= new Listener(
            UdpSocket::bind($endpoint->address, $endpoint->port, $endpoint->groups !== []),
            $endpoint->receiver instanceof OscCodec ? 65535 : 2048,
            fn(string $bytes, string $from, int $port) => ($this->world->arrived)($endpoint->key, $from, $port, $bytes),
            $this->world->drained,
        );
        $socket = $listener->socket;
        $adapter = $endpoint->adapter ?? $endpoint->address;
        $socket->leaveOthers($endpoint->groups, $adapter);
        foreach ($endpoint->groups as $group) {
            $socket->join($group, $adapter);
        }
    }

    /** @param string $key "address:0" */
    private function openSender(string $key): void
    {
        if (isset($this->senders[$key])) {
            return;
        }
        $address = substr($key, 0, -2);
        $socket = UdpSocket::bind($address, 0);
        $socket->multicastFrom($address);
        $this->senders[$key] = $socket;
    }
}
