<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Words;

use NimbleJunction\Core\Message\MidiAddress;
use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Patch\Run;
use NimbleJunction\Core\Show\LinkKind;
use NimbleJunction\Core\Show\MessageEnd;
use NimbleJunction\Core\Show\PortEntry;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\Side\OscSend;
use NimbleJunction\Core\Show\Side\ReceiveSide;
use NimbleJunction\Core\Show\Side\SacnSend;
use NimbleJunction\Core\Show\Side\SendSide;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Universe\Cadence;
use NimbleJunction\Core\Wire\ArtNet\PortAddress;
use NimbleJunction\Core\Wire\Sacn\Universe as SacnUniverse;

/** What has to be set at the other end of a port, in the other end's terms. */
final class OtherEnd
{
    private const MOST_FIXTURES = 16;

    /**
     * @param list<string> $ours our own IPv4 addresses
     * @param array<string, list<string>> $byAdapter those of each adapter, by its name
     *
     * @return list<array{side: string, label: string, value: string}>
     */
    public static function of(PortEntry $port, Show $show, array $ours, array $byAdapter = []): array
    {
        $where = $port->receive->address ?? '0.0.0.0';
        $ours = $where === '0.0.0.0' ? $ours : ($byAdapter[$where] ?? [$where]);

        return [
            ...($port->receive === null ? [] : self::sender($port, $port->receive, $show, $ours)),
            ...($port->send === null ? [] : self::listener($port, $port->send, $show)),
        ];
    }

    /**
     * @param list<string> $ours
     *
     * @return list<array{side: string, label: string, value: string}>
     */
    private static function sender(PortEntry $port, ReceiveSide $receive, Show $show, array $ours): array
    {
        $address = implode(' or ', $ours);
        $osc = $port->protocol === Protocol::Osc;
        $lines = match ($port->link->kind) {
            LinkKind::Udp => [
                $receive->groups() !== [] ? ['Destination', 'multicast'] : [
                    $osc ? 'Send to (outgoing address)' : 'Destination (unicast)',
                    $address,
                ],
                [$osc ? 'Its send port (our receive port)' : 'UDP port', (string) $receive->port],
            ],
            LinkKind::Tcp => [['Connect to', $address], ['TCP port', (string) $receive->port], ['Framing', self::framing($port)]],
            LinkKind::Session => [
                ['Invite', $address],
                ['Control port', (string) $receive->port],
                ['Data port', (string) ($receive->port + 1)],
            ],
            default => self::device($port),
        };
        foreach ($receive->feeds as $link) {
            array_push(
                $lines,
                ...self::numbers($port->protocol, $link->number, $show->universes[$link->universe]->name ?? $link->universe),
            );
        }
        foreach (RoutesAtPort::of($port->id, $show) as $route) {
            $ends = $route->ends;
            if ($ends !== null && $ends->fromMessage && $ends->message->port === $port->id) {
                $which = $osc ? "argument {$ends->message->argument} from" : 'from';
                $lines[] = [
                    "Message for \"{$route->name}\"",
                    self::message($ends->message, $show)." {$which} {$ends->message->low} to {$ends->message->high}",
                ];
            }
            foreach ($ends === null ? Sentence::messagesAt($route, $port, $show, true) : [] as $words) {
                $lines[] = ["Message for \"{$route->name}\"", $words];
            }
        }

        array_push($lines, ...OffersAtPort::lines($port, $show));

        return self::side('To send to us', $port, $lines);
    }

    /** @return list<array{string, string}> what listens in a universe; nothing where nobody is known to */
    private static function fixtures(string $universe, Show $show): array
    {
        $fixtures = [
            ...$show->patch()->in($universe),
            ...array_map(static fn(Run $run): Fixture => $run->fixture(), $show->patch()->runsIn($universe)),
        ];
        usort($fixtures, static fn(Fixture $a, Fixture $b): int => $a->first <=> $b->first);
        $named = array_map(
            static fn(Fixture $one): string => "{$one->name} at {$one->first}",
            \array_slice($fixtures, 0, self::MOST_FIXTURES),
        );
        $more = \count($fixtures) - \count($named);

        return $named === [] ? [] : [[
            'What listens in '.($show->universes[$universe]->name ?? $universe),
            implode(', ', $named).($more > 0 ? " and {$more} more" : ''),
        ]];
    }

    /** @return list<array{side: string, label: string, value: string}> */
    private static function listener(PortEntry $port, SendSide $send, Show $show): array
    {
        $osc = $port->protocol === Protocol::Osc;
        $to = implode(', ', $send->to);
        $lines = match ($port->link->kind) {
            LinkKind::Udp => [
                ['Its own address', match (true) {
                    $send instanceof SacnSend && $send->multicast => 'any: we send multicast',
                    $send->repliesToo() => implode(', ', [...$send->to, 'any: we reply to the last sender']),
                    default => $to,
                }],
                [$osc ? 'Its receive port (our send port)' : 'UDP port', (string) $send->port],
            ],
            LinkKind::Tcp => [
                $to === '' ? [
                    'It connects to',
                    'us, as above: we send to all that are connected',
                ] : ['It waits for our connection at', "{$to}, TCP port {$send->port}"],
                ['Framing', self::framing($port)],
            ],
            LinkKind::Session => $to === ''
                ? [['It is in the session when', 'it has invited us']]
                : [['It must accept our invitation at', "{$to}, control port {$send->port}, data port ".($send->port + 1)]],
            default => self::device($port),
        };
        foreach ($send->carries as $link) {
            array_push(
                $lines,
                ...self::numbers($port->protocol, $link->number, $show->universes[$link->universe]->name ?? $link->universe),
            );
        }
        foreach ($send->carries as $link) {
            array_push($lines, ...self::fixtures($link->universe, $show));
        }
        if ($send->carries !== []) {
            $lines[] = [
                'What it gets of each universe',
                Cadence::of($port->protocol, $send->perSecond, $send->fullRate)->words(),
            ];
        }
        if ($send instanceof SacnSend) {
            $lines[] = ['Our priority', (string) $send->priority];
            $lines[] = ['Our source name', $send->sourceName];
            if ($send->syncUniverse > 0) {
                $lines[] = ['Synchronisation universe', (string) $send->syncUniverse];
            }
        }
        if ($send instanceof OscSend && $send->heartbeat !== '') {
            $lines[] = ['Heartbeat', "{$send->heartbeat} every {$send->heartbeatSeconds} s"];
        }
        foreach (RoutesAtPort::of($port->id, $show) as $route) {
            $ends = $route->ends;
            if ($ends !== null && ! $ends->fromMessage && $ends->message->port === $port->id) {
                $lines[] = [
                    "Message of \"{$route->name}\"",
                    self::message($ends->message, $show).($osc ? " {$ends->message->type}" : '')
                        ." from {$ends->message->low} to {$ends->message->high}",
                ];
            }
            foreach ($ends === null ? Sentence::messagesAt($route, $port, $show, false) : [] as $words) {
                $lines[] = ["Message of \"{$route->name}\"", $words];
            }
        }

        return self::side('To hear us', $port, $lines);
    }

    /** @return list<array{string, string}> */
    private static function device(PortEntry $port): array
    {
        return match ($port->link->kind) {
            LinkKind::Browser => [
                ['Device', $port->link->device],
                ['Where it is plugged in', 'open this page there, Ports, Lend devices'],
            ],
            LinkKind::Device => [['Device file of this machine', $port->link->device]],
            LinkKind::Cable => [
                ['Virtual cable of this machine', $port->link->device],
                ['For another program', "the Unix socket cables/{$port->link->device}.midi in the data folder of the engine"],
            ],
            default => [
                ['Serial device of this machine', $port->link->device],
                ['Line', '250 kbit/s, 8 data bits, 2 stop bits, break before each packet (ANSI E1.11)'],
            ],
        };
    }

    private static function framing(PortEntry $port): string
    {
        return $port->link->framing === 'slip' ? 'SLIP (OSC 1.1)' : 'four bytes of length (OSC 1.0)';
    }

    private static function message(MessageEnd $message, Show $show): string
    {
        return MidiAddress::parse($message->address)?->spelled($show->middleC) ?? "{$message->address},";
    }

    /**
     * @param list<array{string, string}> $lines
     *
     * @return list<array{side: string, label: string, value: string}>
     */
    private static function side(string $side, PortEntry $port, array $lines): array
    {
        return array_map(
            static fn(array $line): array => ['side' => $side, 'label' => $line[0], 'value' => $line[1]],
            [['Protocol', self::protocol($port)], ...$lines],
        );
    }

    private static function protocol(PortEntry $port): string
    {
        return $port->protocol->spelled().match ($port->link->kind) {
            LinkKind::Tcp => ' over TCP',
            LinkKind::Session => ' over the network (RTP-MIDI)',
            default => '',
        };
    }

    /** @return list<array{string, string}> */
    private static function numbers(Protocol $protocol, int $number, string $name): array
    {
        return match ($protocol) {
            Protocol::ArtNet => [
                ["{$name}: Net : Sub-Net : Universe, from 0", PortAddress::of($number)->spelled()],
                ["{$name}: port-address, from 0", (string) $number],
                ["{$name}: if it counts from 1", (string) ($number + 1)],
            ],
            Protocol::Sacn => [
                ["{$name}: sACN universe, from 1", (string) $number],
                ["{$name}: its multicast group", SacnUniverse::multicastGroup($number)],
            ],
            default => [['Levels', $name]],
        };
    }
}
