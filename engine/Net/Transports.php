<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

use NimbleJunction\Core\Plan\Endpoint;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Show\LinkKind;

/** All that the engine meets the world with: each endpoint of a plan is given to the transport of its kind. */
final class Transports
{
    public readonly Lent $lent;
    private readonly Sessions $sessions;
    private readonly Sockets $sockets;

    /** @var array<string, Transport> by kind of link */
    private readonly array $others;

    /** @var array<string, Transport> by endpoint, those that are no UDP */
    private array $byKey = [];

    /** @var array<string, string> why some cannot be used, by endpoint */
    private array $faults = [];

    /** @param string $cables folder of the virtual cables; '' for none */
    public function __construct(World $world, string $cables)
    {
        $this->sockets = new Sockets($world);
        $this->lent = new Lent($world);
        $this->sessions = new Sessions($world);
        $this->others = [
            LinkKind::Tcp->value => new TcpLinks($world),
            LinkKind::Session->value => $this->sessions,
            LinkKind::Device->value => new Devices($world),
            LinkKind::Cable->value => new Cables($world, $cables),
            LinkKind::Serial->value => new SerialLines($world),
            LinkKind::Browser->value => $this->lent,
        ];
    }

    /** @return array<string, string> by endpoint: why it cannot be used */
    public function adopt(Plan $plan): array
    {
        $kinds = array_fill_keys(array_keys($this->others), []);
        $udp = $this->byKey = [];
        foreach ($plan->endpoints as $key => $endpoint) {
            if ($endpoint->kind === LinkKind::Udp) {
                $udp[$key] = $endpoint;
            } else {
                $kinds[$endpoint->kind->value][$key] = $endpoint;
                $this->byKey[$key] = $this->others[$endpoint->kind->value];
            }
        }
        $this->faults = $this->sockets->adopt($udp, array_keys(array_diff_key($plan->vias(), $plan->endpoints)));
        foreach ($this->others as $kind => $transport) {
            $this->faults = [...$this->faults, ...$transport->adopt($kinds[$kind])];
        }

        return $this->faults;
    }

    public function send(OutgoingPacket $packet): string
    {
        $other = $this->byKey[$packet->via] ?? null;

        return $other === null ? $this->sockets->send($packet) : $other->send($packet);
    }

    /** @return list<string> who is connected at an endpoint */
    public function connected(string $key): array
    {
        return ($this->byKey[$key] ?? null)?->connected()[$key] ?? [];
    }

    /** Packets of network sessions at an endpoint that never came. */
    public function lost(string $key): int
    {
        return $this->sessions->lost($key);
    }

    /** Whether a UDP packet from there was sent by ourselves. */
    public function isOwn(string $address, int $port): bool
    {
        return $this->sockets->isOwn($address, $port);
    }

    public function isPaced(): bool
    {
        return $this->sockets->isPaced();
    }

    /** Something came up, or is right again, between two plans. */
    public function noteFault(string $key, string $fault): void
    {
        if ($fault === '') {
            unset($this->faults[$key]);
        } else {
            $this->faults[$key] = $fault;
        }
    }

    public function hasFaults(): bool
    {
        return $this->faults !== [];
    }

    public function close(): void
    {
        $this->sockets->close();
        foreach ($this->others as $transport) {
            $transport->close();
        }
    }
}
