<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Port;

use NimbleJunction\Core\Show\PortEntry;
use NimbleJunction\Core\Show\ReceiveSide;
use NimbleJunction\Core\Show\SendSide;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\ArtNet\PortAddress;
use NimbleJunction\Core\Wire\Sacn\Universe as SacnUniverse;

/** What has to be set at the other end of a port, in the other end's terms. */
final class OtherEnd
{
    /**
     * @param list<string> $ours our own IPv4 addresses
     *
     * @return list<array{side: string, label: string, value: string}>
     */
    public static function of(PortEntry $port, Show $show, array $ours): array
    {
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
        $side = 'To send to us';
        $address = $receive->address === '0.0.0.0' ? implode(' or ', $ours) : $receive->address;
        $lines = [['side' => $side, 'label' => 'Protocol', 'value' => $port->protocol->spelled()]];
        $lines[] = $receive->multicast
            ? ['side' => $side, 'label' => 'Destination', 'value' => 'multicast']
            : ['side' => $side, 'label' => $port->protocol === Protocol::Osc ? 'Send to (outgoing address)' : 'Destination (unicast)', 'value' => $address];
        $lines[] = ['side' => $side, 'label' => $port->protocol === Protocol::Osc ? 'Its send port (our receive port)' : 'UDP port', 'value' => (string) $receive->port];
        foreach ($receive->feeds as $link) {
            $name = $show->universes[$link->universe]->name ?? $link->universe;
            array_push($lines, ...self::numbers($side, $port->protocol, $link->number, $name));
        }
        foreach ($show->routes as $route) {
            if ($route->fromMessage && $route->message->port === $port->id) {
                $lines[] = ['side' => $side, 'label' => "Message for \"{$route->name}\"", 'value' => "{$route->message->address}, argument {$route->message->argument} from {$route->message->low} to {$route->message->high}"];
            }
        }

        return $lines;
    }

    /** @return list<array{side: string, label: string, value: string}> */
    private static function listener(PortEntry $port, SendSide $send, Show $show): array
    {
        $side = 'To hear us';
        $lines = [['side' => $side, 'label' => 'Protocol', 'value' => $port->protocol->spelled()]];
        $lines[] = ['side' => $side, 'label' => 'Its own address', 'value' => $send->multicast ? 'any: we send multicast' : implode(', ', $send->to)];
        $lines[] = ['side' => $side, 'label' => $port->protocol === Protocol::Osc ? 'Its receive port (our send port)' : 'UDP port', 'value' => (string) $send->port];
        foreach ($send->carries as $link) {
            $name = $show->universes[$link->universe]->name ?? $link->universe;
            array_push($lines, ...self::numbers($side, $port->protocol, $link->number, $name));
        }
        if ($port->protocol === Protocol::Sacn) {
            $lines[] = ['side' => $side, 'label' => 'Our priority', 'value' => (string) $send->priority];
            $lines[] = ['side' => $side, 'label' => 'Our source name', 'value' => $send->sourceName];
        }
        foreach ($show->routes as $route) {
            if (! $route->fromMessage && $route->message->port === $port->id) {
                $lines[] = ['side' => $side, 'label' => "Message of \"{$route->name}\"", 'value' => "{$route->message->address}, {$route->message->type} from {$route->message->low} to {$route->message->high}"];
            }
        }

        return $lines;
    }

    /** @return list<array{side: string, label: string, value: string}> */
    private static function numbers(string $side, Protocol $protocol, int $number, string $name): array
    {
        return match ($protocol) {
            Protocol::ArtNet => [
                ['side' => $side, 'label' => "{$name}: Net : Sub-Net : Universe, from 0", 'value' => PortAddress::of($number)->spelled()],
                ['side' => $side, 'label' => "{$name}: port-address, from 0", 'value' => (string) $number],
                ['side' => $side, 'label' => "{$name}: if it counts from 1", 'value' => (string) ($number + 1)],
            ],
            Protocol::Sacn => [
                ['side' => $side, 'label' => "{$name}: sACN universe, from 1", 'value' => (string) $number],
                ['side' => $side, 'label' => "{$name}: its multicast group", 'value' => SacnUniverse::multicastGroup($number)],
            ],
            default => [['side' => $side, 'label' => 'Levels', 'value' => $name]],
        };
    }
}
