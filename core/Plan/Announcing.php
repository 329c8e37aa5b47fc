<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Codec\MessageWriter;
use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Core\Show\PortEntry;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\Side\OscSend;
use NimbleJunction\Core\Show\Side\SacnSend;
use NimbleJunction\Core\Wire\ArtNet\Packet as ArtNet;
use NimbleJunction\Core\Wire\ArtNet\Poll;
use NimbleJunction\Core\Wire\Sacn\Discovery;

/** What the ports of a show say again and again, whatever else they send. */
final readonly class Announcing
{
    /** Art-Net 4: a controller polls every 2.5 to 3 s (from memory). */
    private const POLL_NANOS = 2_750_000_000;

    public function __construct(private Show $show, private Identity $identity, private Exits $exits)
    {
    }

    /**
     * @param array<string, MessageExit> $messageExits by port
     *
     * @return list<Announcement>
     */
    public function announcements(array $messageExits): array
    {
        $announcements = $this->discoveries();
        foreach ($this->show->ports as $port) {
            $announcements[] = $this->poll($port);
            $announcements[] = $this->heartbeat($port, $messageExits[$port->id] ?? null);
        }

        return array_values(array_filter($announcements));
    }

    private function poll(PortEntry $port): ?Announcement
    {
        if (! $port->receives() || $port->receive === null || $port->receive->polled() === []) {
            return null;
        }
        $via = Entrances::key($port);

        return new Announcement(
            "poll {$port->id}",
            $port->id,
            self::POLL_NANOS,
            [(new Poll(Poll::REPLY_ON_CHANGE))->encode()],
            array_map(
                static fn(string $to): Destination => new Destination($via, $to, ArtNet::UDP_PORT),
                $port->receive->polled(),
            ),
        );
    }

    private function heartbeat(PortEntry $port, ?MessageExit $exit): ?Announcement
    {
        if ($exit === null || ! $port->send instanceof OscSend || $port->send->heartbeat === '') {
            return null;
        }
        $writer = $exit->writer;

        return new Announcement(
            "heartbeat {$port->id}",
            $port->id,
            (int) round($port->send->heartbeatSeconds * 1e9),
            [$this->written($writer, $port->send->heartbeat)],
            $exit->destinations,
            $exit,
        );
    }

    private function written(MessageWriter $writer, string $address): string
    {
        return $writer->write(Osc::of($address));
    }

    /**
     * Whoever hears us by several ports is told of all universes together: a source has one list.
     *
     * @return list<Announcement>
     */
    private function discoveries(): array
    {
        $byTarget = [];
        foreach ($this->show->ports as $port) {
            if (! $port->send instanceof SacnSend || ! $port->sends() || ! $port->send->announce) {
                continue;
            }
            foreach ($this->exits->destinations($port, $port->send, Discovery::UNIVERSE) as $destination) {
                $key = "{$destination->via} {$destination->spelled()}";
                $byTarget[$key] ??= [
                    'portId' => $port->id,
                    'name' => $port->send->sourceName,
                    'target' => $destination,
                    'numbers' => [],
                ];
                array_push($byTarget[$key]['numbers'], ...array_column($port->send->ranked()[0], 'number'));
            }
        }
        $announcements = [];
        foreach ($byTarget as $key => $one) {
            $pages = Discovery::pages($this->identity->cid, $one['name'], $one['numbers']);
            $announcements[] = new Announcement(
                "discovery {$key}",
                $one['portId'],
                Discovery::INTERVAL_NANOS,
                array_map(static fn(Discovery $page): string => $page->encode(), $pages),
                [$one['target']],
            );
        }

        return $announcements;
    }
}
