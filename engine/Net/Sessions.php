<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

use NimbleJunction\Core\Plan\Endpoint;
use NimbleJunction\Core\Port\OutgoingPacket;

/** Network MIDI: at each endpoint two UDP ports, over which other ends invite us or are invited. */
final class Sessions implements Transport
{
    /** @var array<string, SessionHub> by key */
    private array $hubs = [];

    public function __construct(private readonly World $world)
    {
    }

    public function adopt(array $endpoints): array
    {
        foreach (array_diff_key($this->hubs, $endpoints) as $key => $hub) {
            $hub->close();
            unset($this->hubs[$key]);
        }
        $faults = [];
        foreach ($endpoints as $key => $endpoint) {
            try {
                $hub = $this->hubs[$key] ??= $this->open($endpoint);
                $hub->invite($endpoint->peers);
                $faults[$key] = $hub->fault();
            } catch (CannotListen $cannot) {
                $faults[$key] = $cannot->getMessage();
            }
        }

        return array_filter($faults);
    }

    public function send(OutgoingPacket $packet): string
    {
        return ($this->hubs[$packet->via] ?? null)?->send($packet->bytes) ?? 'the session is not open';
    }

    public function connected(): array
    {
        return array_map(static fn(SessionHub $hub): array => $hub->who(), $this->hubs);
    }

    /** Packets that never came, by their sequence numbers. */
    public function lost(string $key): int
    {
        return ($this->hubs[$key] ?? null)?->lost() ?? 0;
    }

    public function close(): void
    {
        foreach ($this->hubs as $hub) {
            $hub->close();
        }
        $this->hubs = [];
    }

    private function open(Endpoint $endpoint): SessionHub
    {
        // A port that only invites needs no particular number of its own, but two next to each other.
        $address = Place::oneAddress($endpoint->address);
        $number = $endpoint->port === 0 ? SessionHub::freePair($address) : $endpoint->port;
        $control = UdpSocket::bind($address, $number);
        try {
            $data = UdpSocket::bind($address, $number + 1);
        } catch (CannotListen $cannot) {
            $control->close();

            throw $cannot;
        }

        return new SessionHub($endpoint->key, $endpoint->name, $control, $data, $this->world);
    }
}
