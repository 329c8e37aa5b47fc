<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

use NimbleJunction\Core\Plan\Destination;
use NimbleJunction\Core\Plan\Endpoint;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Engine\Net\Framing\Framing;
use NimbleJunction\Engine\Net\Framing\LengthFramed;
use NimbleJunction\Engine\Net\Framing\SlipFramed;

/** OSC over TCP: other ends call us, or are called; what leaves goes to all that are connected. */
final class TcpLinks implements Transport
{
    /** @var array<string, Gathering> by key */
    private array $gatherings = [];

    public function __construct(private readonly World $world)
    {
    }

    public function adopt(array $endpoints): array
    {
        foreach (array_diff_key($this->gatherings, $endpoints) as $key => $gathering) {
            $gathering->close();
            unset($this->gatherings[$key]);
        }
        $faults = [];
        foreach ($endpoints as $key => $endpoint) {
            $all = array_map(static fn(Destination $peer): string => $peer->spelled(), $endpoint->peers);
            $peers = array_values(array_filter($all, $this->world->reach->mayCall(...)));
            $gathering = $this->gatherings[$key] ??= $this->gathering($endpoint, $peers);
            try {
                if ($endpoint->portIds !== []) {
                    $gathering->openDoor('tcp://'.Place::oneAddress($endpoint->address).":{$endpoint->port}");
                }
            } catch (CannotListen $cannot) {
                $faults[$key] = $cannot->getMessage();
            }
            $gathering->hangUpOthers($peers, $endpoint->portIds !== []);
            array_map($gathering->call(...), $peers);
            if ($peers !== $all) {
                $faults[$key] = implode(', ', array_diff($all, $peers)).' may not be called: this machine is kept from that network (JUNCTION_FORBIDDEN_NETWORKS). Choose another address.';
            }
            if (! isset($faults[$key]) && array_diff($peers, $gathering->who()) !== []) {
                $faults[$key] = self::missing($peers, $gathering);
            }
        }

        return $faults;
    }

    public function send(OutgoingPacket $packet): string
    {
        return ($this->gatherings[$packet->via] ?? null)?->send($packet->bytes) ?? 'the link is not open';
    }

    public function connected(): array
    {
        return array_map(static fn(Gathering $gathering): array => $gathering->who(), $this->gatherings);
    }

    public function close(): void
    {
        foreach ($this->gatherings as $gathering) {
            $gathering->close();
        }
        $this->gatherings = [];
    }

    /** @param list<string> $peers */
    private function gathering(Endpoint $endpoint, array $peers): Gathering
    {
        $framing = static fn(): Framing => $endpoint->framing === 'slip' ? new SlipFramed() : new LengthFramed();

        return new Gathering($endpoint->key, $framing, $this->world, function () use ($endpoint, $peers): void {
            $gathering = $this->gatherings[$endpoint->key] ?? null;
            if ($gathering !== null) {
                ($this->world->fault)(
                    $endpoint->key,
                    array_diff($peers, $gathering->who()) === [] ? '' : self::missing($peers, $gathering),
                );
            }
        });
    }

    /** @param list<string> $peers */
    private static function missing(array $peers, Gathering $gathering): string
    {
        return 'Not connected to '.implode(', ', array_diff($peers, $gathering->who()))
            .': it is tried again every two seconds. Is the program there running, and does it listen at that TCP port?';
    }
}
