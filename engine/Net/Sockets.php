<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

use NimbleJunction\Core\Codec\OscCodec;
use NimbleJunction\Core\Plan\Endpoint;
use NimbleJunction\Core\Port\OutgoingPacket;

/**
 * All UDP sockets of a plan: opens what is new, closes what is gone, leaves
 * alone what stays. An endpoint at an address has one socket for what is sent
 * to that address, and one more, its ear, for what its adapter hears besides:
 * broadcasts, and multicast groups. Other programs of this machine, and other
 * ports of the show, may share the port number.
 */
final class Sockets
{
    /** @var array<string, array{Place, non-empty-list<Listener>}> by the key of the endpoint; the first one is sent from */
    private array $listeners = [];

    /** @var array<string, array{Place, UdpSocket}> by "address:0": only sent from */
    private array $senders = [];

    /** @var array<int, array<string, true>> our own ends, by port number and address: what comes from there is our own */
    private array $own = [];

    /** @var array<string, string> by endpoint: why it cannot be used, or not quite */
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
        array_map($this->closeListener(...), array_keys(array_diff_key($this->listeners, $wanted)));
        array_map($this->closeSender(...), array_keys(array_diff_key($this->senders, $wanted)));
        $adapters = Adapters::now();
        $this->faults = [];
        foreach ($wanted as $key => $endpoint) {
            $where = $endpoint === null ? substr($key, 0, -2) : $endpoint->address;
            try {
                $place = Place::find($where, $adapters);
                $endpoint === null ? $this->openSender($key, $place) : $this->openListener($endpoint, $place, $adapters);
                if ($place->adapter !== null && ! $place->adapter->hasLink()) {
                    $this->faults[$key] = "The network adapter {$place->adapter->name} has no link: is its cable plugged in at both ends, and the switch on?";
                }
            } catch (CannotListen $cannot) {
                $this->faults[$key] = $cannot->getMessage();
                // A place that is gone must not be sent from either: the system would choose another adapter.
                $this->closeListener($key);
                $this->closeSender($key);
            }
        }

        $this->nameOwnEnds($adapters);

        return $this->faults;
    }

    /** Whether a packet from there was sent by ourselves. */
    public function isOwn(string $address, int $port): bool
    {
        return isset($this->own[$port][$address]);
    }

    private function nameOwnEnds(Adapters $adapters): void
    {
        $everywhere = array_merge(['127.0.0.1'], ...array_map(
            static fn(Adapter $one): array => array_keys($one->addresses),
            array_values($adapters->adapters),
        ));
        $this->own = [];
        $sockets = array_map(static fn(array $one): UdpSocket => $one[1], array_values($this->senders));
        foreach ($this->listeners as [, $listeners]) {
            // The second one only listens.
            $sockets[] = $listeners[0]->socket;
        }
        foreach ($sockets as $socket) {
            $addresses = $socket->address === Place::EVERYWHERE ? $everywhere : [$socket->address];
            $this->own[$socket->port()] = ($this->own[$socket->port()] ?? []) + array_fill_keys($addresses, true);
        }
    }

    /** Whether some port is so crowded that $drained is called every millisecond or two anyway. */
    public function isPaced(): bool
    {
        foreach ($this->listeners as [, $listeners]) {
            foreach ($listeners as $listener) {
                if ($listener->isPaced()) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return string what went wrong, or '' */
    public function send(OutgoingPacket $packet): string
    {
        $sender = $this->senders[$packet->via][1] ?? null;
        $listeners = $this->listeners[$packet->via][1] ?? null;
        $socket = $sender ?? ($listeners === null ? null : $listeners[0]->socket);
        if ($socket === null) {
            return $this->faults[$packet->via] ?? 'there is no socket to send from';
        }

        return $socket->send(self::filledIn($packet, $socket), $packet->address, $packet->port);
    }

    public function close(): void
    {
        array_map($this->closeListener(...), array_keys($this->listeners));
        array_map($this->closeSender(...), array_keys($this->senders));
    }

    /** Where the other end is to be told our address, that is the one by which it reaches us. */
    private static function filledIn(OutgoingPacket $packet, UdpSocket $socket): string
    {
        $bytes = $packet->bytes;
        if ($packet->addressAt === []) {
            return $bytes;
        }
        $ours = $socket->address === Place::EVERYWHERE ? UdpSocket::addressTowards($packet->address) : $socket->address;
        foreach ($ours === '' ? [] : $packet->addressAt as $offset) {
            $bytes = substr_replace($bytes, (string) inet_pton($ours), $offset, 4);
        }

        return $bytes;
    }

    /** @throws CannotListen */
    private function openListener(Endpoint $endpoint, Place $place, Adapters $adapters): void
    {
        $open = $this->listeners[$endpoint->key] ?? null;
        $needsEar = $place->needsEar() || ($endpoint->groups !== [] && $place->address !== Place::EVERYWHERE);
        if ($open !== null && ($open[0]->mark !== $place->mark || \count($open[1]) !== ($needsEar ? 2 : 1))) {
            $this->closeListener($endpoint->key);
            $open = null;
        }
        if ($open === null) {
            $device = $place->adapter->name ?? ($needsEar ? 'lo' : '');
            if ($place->address !== Place::EVERYWHERE && UdpSocket::isTaken($place->address, $endpoint->port)) {
                throw CannotListen::because($place->address, $endpoint->port, \SOCKET_EADDRINUSE);
            }
            $this->world->descriptors->take($endpoint->spelled());
            $listeners = [
                $this->listener(
                    $endpoint,
                    UdpSocket::bind($place->address, $endpoint->port, true, $place->address === Place::EVERYWHERE ? $device : ''),
                ),
            ];
            $listeners[0]->socket->leaveBy($place->adapter ?? ($needsEar ? $adapters->find('lo') : null));
            try {
                if ($needsEar) {
                    $listeners[] = $this->listener($endpoint, UdpSocket::bind(Place::EVERYWHERE, $endpoint->port, true, $device));
                }
            } catch (CannotListen $cannot) {
                $listeners[0]->close();

                throw $cannot;
            }
            $open = $this->listeners[$endpoint->key] = [$place, $listeners];
        }
        $ear = $open[1][\count($open[1]) - 1]->socket;
        $ear->joinOnly($endpoint->groups, $place->adapter->name ?? ($needsEar ? 'lo' : 0));
    }

    private function listener(Endpoint $endpoint, UdpSocket $socket): Listener
    {
        $isOfMessages = $endpoint->receiver instanceof OscCodec;

        return new Listener(
            $socket,
            $isOfMessages ? 65535 : 2048,
            fn(string $bytes, string $from, int $port) => ($this->world->arrived)($endpoint->key, $from, $port, $bytes),
            $this->world->drained,
            $isOfMessages ? Listener::OF_MESSAGES : Listener::OF_LEVELS,
            fn(int $count) => ($this->world->leftOut)($endpoint->key, $count),
        );
    }

    /**
     * @param string $key "address:0"
     *
     * @throws CannotListen
     */
    private function openSender(string $key, Place $place): void
    {
        $open = $this->senders[$key] ?? null;
        if ($open !== null && $open[0]->mark === $place->mark) {
            return;
        }
        $this->closeSender($key);
        $this->world->descriptors->take($place->address);
        $socket = UdpSocket::bind($place->address, 0);
        $loopback = str_starts_with($place->address, '127.') ? Adapters::now()->find('lo') : null;
        $socket->leaveBy($place->adapter ?? $loopback);
        $this->senders[$key] = [$place, $socket];
    }

    private function closeListener(string $key): void
    {
        foreach ($this->listeners[$key][1] ?? [] as $listener) {
            $listener->close();
        }
        unset($this->listeners[$key]);
    }

    private function closeSender(string $key): void
    {
        ($this->senders[$key][1] ?? null)?->close();
        unset($this->senders[$key]);
    }
}
