<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Export;

use NimbleJunction\Core\Show\LinkKind;
use NimbleJunction\Core\Show\PortEntry;
use NimbleJunction\Core\Trace\Event;
use NimbleJunction\Core\Trace\Hop;
use NimbleJunction\Core\Trace\Names;
use NimbleJunction\Core\Trace\Step;
use NimbleJunction\Core\Wire\Capture\Datagram;
use NimbleJunction\Core\Wire\Capture\Frame;
use NimbleJunction\Core\Wire\Capture\PcapngWriter;
use NimbleJunction\Core\Wire\Capture\RawIpv4;

/** Events of the trace as files that other programs read. */
final readonly class TraceExport
{
    private const NETWORK = 'network';

    /**
     * @param array<string, PortEntry> $ports by id
     * @param int $wallNanos nanoseconds since 1970 of the moment that the clock of the trace calls 0
     */
    public function __construct(private Names $names, private array $ports, private int $wallNanos)
    {
    }

    /**
     * A line of JSON for each event: {"time", "kind", "port", "title", "count",
     * "hops": [{"step", "words", "route", "bytes", "peer"}]}; bytes in hexadecimal.
     *
     * @param list<Event> $events
     */
    public function jsonLines(array $events): string
    {
        $lines = '';
        foreach ($events as $event) {
            $hops = [];
            foreach ($event->hops as $hop) {
                $hops[] = array_filter([
                    'step' => $hop->step($this->names)->value,
                    'words' => $hop->words($this->names),
                    'route' => $hop->routeId($this->names),
                    'bytes' => bin2hex($hop->bytes),
                    'peer' => $hop->peer,
                ], static fn(?string $value): bool => $value !== null && $value !== '');
            }
            $line = [
                'time' => $this->spelledTime($event->at),
                'kind' => $event->kind->value,
                'port' => $event->portId,
                'title' => $event->title($this->names),
                'count' => $event->count,
                'hops' => $hops,
            ];
            $lines .= json_encode($line, \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_INVALID_UTF8_SUBSTITUTE | \JSON_THROW_ON_ERROR)."\n";
        }

        return $lines;
    }

    /**
     * A capture of the bytes that the events heard and sent. What goes over UDP is
     * a datagram on an interface "network"; what does not (MIDI, TCP, a device)
     * stands as it is on an interface named by its port, of the link type that is
     * free for private use. The comment of a packet is the title of its event.
     * Our own address is the port's; a port number that is not known is 0.
     *
     * @param list<Event> $events
     */
    public function pcapng(array $events): string
    {
        $writer = new PcapngWriter();
        foreach ($events as $event) {
            foreach ($event->hops as $hop) {
                $step = $hop->step($this->names);
                if ($hop->bytes === '' || ! \in_array($step, [Step::Heard, Step::Sent], true)) {
                    continue;
                }
                $at = $this->wallNanos + $event->at;
                $port = $this->portOf($event, $hop, $step);
                $datagram = $port === null ? null : self::datagram($port, $hop, $step, $at);
                $datagram === null
                    ? $writer->add(
                        $port->name ?? 'unknown',
                        Frame::PRIVATE_USE,
                        $at,
                        $hop->bytes,
                        $event->title($this->names),
                    )
                    : $writer->add(self::NETWORK, Frame::RAW, $at, RawIpv4::packet($datagram), $event->title($this->names));
            }
        }

        return $writer->bytes();
    }

    /** What is sent because of a message leaves by another port than it came in: the one whose destination it has. */
    private function portOf(Event $event, Hop $hop, Step $step): ?PortEntry
    {
        $own = $this->ports[$event->portId] ?? null;
        if ($step === Step::Heard) {
            return $own;
        }
        foreach ($this->ports as $port) {
            $send = $port->send;
            foreach ($send->to ?? [] as $to) {
                if ($hop->peer === "{$to}:{$send?->port}") {
                    return $port;
                }
            }
            if ($port->link->device !== '' && $hop->peer === $port->link->device) {
                return $port;
            }
        }

        return $own;
    }

    private static function datagram(PortEntry $port, Hop $hop, Step $step, int $at): ?Datagram
    {
        [$address, $number] = explode(':', $hop->peer, 2) + ['', '0'];
        if ($port->link->kind !== LinkKind::Udp || filter_var($address, \FILTER_VALIDATE_IP, \FILTER_FLAG_IPV4) === false) {
            return null;
        }
        $receive = $port->receive;
        $ours = $step === Step::Heard ? $receive->address ?? '' : $port->send->address ?? '';
        $ours = filter_var($ours, \FILTER_VALIDATE_IP, \FILTER_FLAG_IPV4) === false ? '0.0.0.0' : $ours;

        return $step === Step::Heard
            ? new Datagram($at, $address, (int) $number, $ours, $receive->port ?? 0, $hop->bytes)
            : new Datagram($at, $ours, 0, $address, (int) $number, $hop->bytes);
    }

    private function spelledTime(int $at): string
    {
        $nanos = $this->wallNanos + $at;

        return gmdate('Y-m-d\TH:i:s', intdiv($nanos, 1_000_000_000)).\sprintf('.%03dZ', intdiv($nanos % 1_000_000_000, 1_000_000));
    }
}
