<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Rehearsal;

use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Show\LinkKind;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Trace\Hop;
use NimbleJunction\Core\Wire\Capture\Capture;

/**
 * Plays a script through a junction in the script's own time, as fast as it can.
 * The same show and the same script give the same lines, always: so a show is
 * tested on any machine, and a fault from the field is had again.
 */
final class Rehearsal
{
    /** Datagrams of a capture that nobody of the show listens for. */
    public int $passedOver = 0;

    private int $now;
    private int $traceRevision = 0;

    /** @var array<string, int|float|string|null> the last value of each point that is watched */
    private array $values = [];

    /**
     * @param bool $traces whether what happened is said too
     * @param list<Reference> $points whose changes are said
     */
    public function __construct(
        private readonly Stage $stage,
        private readonly bool $traces = false,
        private readonly array $points = [],
    ) {
        $this->now = Stage::nanos(0.0);
    }

    /**
     * @param list<array{float, Move}> $moves
     * @param float|null $until seconds; null ends with the last move
     *
     * @return iterable<array<string, mixed>> lines of output, ready for JSON
     *
     * @throws CannotGoOn
     */
    public function play(array $moves, ?float $until): iterable
    {
        foreach ($moves as [$at, $move]) {
            if ($until !== null && $at > $until) {
                break;
            }
            yield from $this->passTo(Stage::nanos($at));
            yield from $this->lines($move->play($this->stage, $this->now));
        }
        yield from $this->passTo(Stage::nanos($until ?? Stage::seconds($this->now)));
    }

    /**
     * @param string $capture a pcap or pcapng file
     *
     * @return iterable<array<string, mixed>>
     *
     * @throws CannotGoOn|\NimbleJunction\Core\Wire\Malformed
     */
    public function playCapture(string $capture, ?float $until): iterable
    {
        $began = null;
        foreach (Capture::datagrams($capture) as $datagram) {
            $began ??= $datagram->at;
            $at = Stage::nanos(0.0) + max(0, $datagram->at - $began);
            if ($until !== null && $at > Stage::nanos($until)) {
                break;
            }
            yield from $this->passTo(max($at, $this->now));
            $packets = (new Datagram($datagram))->play($this->stage, $this->now);
            $this->passedOver += $packets === null ? 1 : 0;
            yield from $this->lines($packets ?? []);
        }
        yield from $this->passTo(Stage::nanos($until ?? Stage::seconds($this->now)));
    }

    /** @return iterable<array<string, mixed>> */
    private function passTo(int $moment): iterable
    {
        foreach ($this->stage->passUntil($this->now, $moment) as $at => $packets) {
            $this->now = $at;
            yield from $this->lines($packets);
        }
        $this->now = max($this->now, $moment);
    }

    /**
     * @param list<OutgoingPacket> $packets
     *
     * @return iterable<array<string, mixed>>
     */
    private function lines(array $packets): iterable
    {
        $at = Stage::seconds($this->now);
        foreach ($packets as $packet) {
            yield ['at' => $at, ...$this->sent($packet)];
        }
        foreach ($this->points as $reference) {
            $name = $reference->text();
            $isSilent = $reference->kind === 'slot'
                && ($this->stage->junction->universes()[$reference->id]->spoken ?? false) === false;
            $value = $isSilent ? null : $this->stage->junction->points()->read($reference);
            if ($value !== ($this->values[$name] ?? null)) {
                $this->values[$name] = $value;
                yield ['at' => $at, 'point' => $name, 'value' => $value];
            }
        }
        if ($this->traces) {
            yield from $this->happened($at);
        }
    }

    /** @return array<string, mixed> */
    private function sent(OutgoingPacket $packet): array
    {
        $portId = $packet->portId !== ''
            ? $packet->portId
            : ($this->stage->junction->plan()->endpoints[$packet->via]->portIds[0] ?? '');
        $port = $this->stage->show->ports[$portId] ?? null;
        $kind = $port === null || $port->link->kind === LinkKind::Udp ? '' : "{$port->link->kind->value} ";

        return [
            'port' => $portId,
            'to' => $packet->port === 0 ? "{$kind}{$packet->address}" : "{$packet->address}:{$packet->port}",
            'hex' => bin2hex($packet->bytes),
            'words' => Spoken::of($port->protocol ?? Protocol::Osc, $packet->bytes, $this->stage->show->middleC),
        ];
    }

    /** @return iterable<array<string, mixed>> */
    private function happened(float $at): iterable
    {
        $trace = $this->stage->junction->trace;
        $names = $this->stage->junction->names();
        foreach ($trace->since($this->traceRevision, 500) as $event) {
            yield [
                'at' => $at,
                'trace' => [
                    'kind' => $event->kind->value,
                    'port' => $event->portId,
                    'count' => $event->count,
                    'hops' => array_map(
                        static fn(Hop $hop): array => [
                            'step' => $hop->step($names)->value,
                            'words' => $hop->words($names),
                            'hex' => bin2hex($hop->bytes),
                            'route' => $hop->routeId($names),
                        ],
                        $event->hops,
                    ),
                ],
                'words' => $event->title($names),
            ];
        }
        $this->traceRevision = $trace->revision();
    }
}
