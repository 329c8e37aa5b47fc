<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\ArtNet\Packet as ArtNet;
use NimbleJunction\Core\Wire\ArtNet\PortAddress;
use NimbleJunction\Core\Wire\RtpMidi\Session;
use NimbleJunction\Core\Wire\Sacn\Packet as Sacn;
use NimbleJunction\Core\Wire\Sacn\Universe as SacnUniverse;

/** Reads one port of a show document; only fields that its protocol has. */
final class PortReader
{
    private const DEVICES = [
        'browser' => ['#^[^\x00-\x1F]{1,120}$#uD', 'Give the name that the browser shows for the device, at most 120 characters.'],
        'device' => ['#^/[^\x00-\x1F]{1,200}$#uD', 'Give the path of a MIDI device or FIFO, like /dev/snd/midiC1D0.'],
        'cable' => ['#^[a-z0-9][a-z0-9-]{0,39}$#D', 'Use 1 to 40 small letters, digits and hyphens.'],
        'serial' => ['#^/[^\x00-\x1F]{1,200}$#uD', 'Give the path of a serial device, like /dev/ttyUSB0.'],
    ];

    public static function read(Fields $fields): PortEntry
    {
        $protocol = Protocol::from($fields->word('protocol', array_column(Protocol::cases(), 'value')));
        $receive = $fields->has('receive') ? $fields->object('receive') : null;
        $send = $fields->has('send') ? $fields->object('send') : null;
        if ($receive === null && $send === null) {
            $fields->fault('', 'the port neither receives nor sends', 'Give "receive", "send" or both.');
        }
        if ($protocol === Protocol::Controller && $send !== null) {
            $fields->fault('send', 'a game controller has nothing to send to', 'Leave "send" out.');
        }
        $link = self::link($fields, $protocol);

        return new PortEntry(
            $fields->id(),
            $fields->string('name'),
            $protocol,
            $fields->flag('enabled', true),
            $link,
            $receive === null ? null : self::receive($receive, $protocol, $link->kind),
            $send === null ? null : self::send($send, $protocol, $link->kind),
            $fields->networks('allow', 64),
        );
    }

    private static function link(Fields $fields, Protocol $protocol): LinkEntry
    {
        $kinds = LinkKind::of($protocol);
        $link = $fields->has('link') ? $fields->object('link') : null;
        if ($link === null) {
            if ($kinds[0]->hasDevice()) {
                $fields->fault('link', 'it is missing', 'Say over what it goes: '.implode(', ', array_column($kinds, 'value')).'.');
            }

            return new LinkEntry($kinds[0]);
        }
        $kind = LinkKind::from($link->word('kind', array_column($kinds, 'value'), $kinds[0]->value));
        $entry = new LinkEntry(
            $kind,
            isset(self::DEVICES[$kind->value]) ? $link->matching('device', ...self::DEVICES[$kind->value]) : '',
            $kind === LinkKind::Tcp ? $link->word('framing', ['length', 'slip'], 'length') : 'length',
        );
        $link->close();

        return $entry;
    }

    private static function receive(Fields $fields, Protocol $protocol, LinkKind $kind): ReceiveSide
    {
        $levels = $protocol->carriesLevels();
        $net = ! $kind->hasDevice();
        $controller = $protocol === Protocol::Controller;
        $side = new ReceiveSide(
            $fields->flag('enabled', true),
            $net ? $fields->ourAddress('address', '0.0.0.0') : '0.0.0.0',
            $net ? $fields->whole('port', 1, 65535, self::usualPort($protocol)) : 0,
            $protocol === Protocol::Sacn && $fields->flag('multicast', false),
            $levels && $protocol !== Protocol::Sacn ? $fields->whole('priority', 0, 200, 100) : 100,
            $levels ? self::links($fields, 'feeds', $protocol) : [],
            $levels && $fields->flag('lastResort', false),
            $protocol === Protocol::ArtNet ? $fields->addresses('poll', 16) : [],
            $controller ? $fields->within('deadZone', 0.0, 0.9, 0.1) : 0.0,
            $controller ? $fields->numbers('centres', 16, -1.0, 1.0) : [],
            $protocol === Protocol::ArtNet ? $fields->byAddress('priorities', 'priority', 0, 200, 64) : [],
        );
        $fields->close();

        return $side;
    }

    private static function send(Fields $fields, Protocol $protocol, LinkKind $kind): SendSide
    {
        $levels = $protocol->carriesLevels();
        $sacn = $protocol === Protocol::Sacn;
        $osc = $protocol === Protocol::Osc;
        $multicast = $sacn && $fields->flag('multicast', false);
        $net = ! $kind->hasDevice();
        $to = $net ? $fields->addresses('to', 64) : [];
        // Over TCP whoever calls us is sent to over its own connection: there is no port of theirs to name.
        $isOnlyCalled = $kind === LinkKind::Tcp && $to === [] && ! $fields->has('port');
        [$heartbeat, $heartbeatSeconds] = $osc ? self::heartbeat($fields) : ['', 1.0];
        $side = new SendSide(
            $fields->flag('enabled', true),
            $net ? $fields->ourAddress('address', '0.0.0.0') : '0.0.0.0',
            $to,
            $net && ! $isOnlyCalled ? $fields->whole('port', 1, 65535, self::usualPort($protocol)) : 0,
            $multicast,
            $levels ? $fields->whole('perSecond', 1, 44, 44) : 44,
            $sacn ? $fields->whole('priority', 0, 200, 100) : 100,
            $sacn && $fields->has('sourceName') ? $fields->string('sourceName', 63) : 'Nimble Junction',
            $levels ? self::links($fields, 'carries', $protocol) : [],
            $levels && $fields->has('lines') ? $fields->whole('lines', 1, 1024) : null,
            $protocol === Protocol::ArtNet && $fields->flag('sync', false),
            $sacn ? $fields->whole('syncUniverse', 0, SacnUniverse::HIGHEST, 0) : 0,
            $sacn ? UniverseReader::spans($fields, 'slotPriorities', 'priority', 200) : [],
            $osc && $fields->flag('replies', false),
            $heartbeat,
            $heartbeatSeconds,
            $sacn && $fields->flag('announce', $multicast),
        );
        if ($side->to === [] && ! $side->multicast && $kind === LinkKind::Udp && ! $side->replies) {
            $fields->fault('to', 'there is nobody to send to', 'Give at least one IPv4 address'.($sacn ? ', or set multicast.' : ($osc ? ', or set replies.' : '.')));
        }
        $fields->close();

        return $side;
    }

    /** @return array{string, float} */
    private static function heartbeat(Fields $fields): array
    {
        $address = $fields->has('heartbeat') ? $fields->matching('heartbeat', ShowReader::ADDRESS_PATTERN, ShowReader::ADDRESS_RULE) : '';

        return [$address, $fields->within('heartbeatSeconds', 0.1, 60.0, 1.0)];
    }

    /** @return list<UniverseLink> */
    private static function links(Fields $fields, string $name, Protocol $protocol): array
    {
        [$lowest, $highest] = match ($protocol) {
            Protocol::ArtNet => [0, PortAddress::HIGHEST],
            Protocol::Sacn => [SacnUniverse::LOWEST, SacnUniverse::HIGHEST],
            default => [1, 1],
        };
        $links = [];
        foreach ($fields->objects($name, 1024) as $link) {
            $links[] = new UniverseLink(
                $link->whole('number', $lowest, $highest),
                $link->id('universe'),
                $name === 'carries' ? $link->whole('rank', 1, 1024, \count($links) + 1) : 1,
            );
            $link->close();
        }

        return $links;
    }

    /** @return int|null the port that the protocol's standard, or common use, names */
    private static function usualPort(Protocol $protocol): ?int
    {
        return match ($protocol) {
            Protocol::ArtNet => ArtNet::UDP_PORT,
            Protocol::Sacn => Sacn::UDP_PORT,
            Protocol::Midi => Session::CONTROL_PORT,
            default => null,
        };
    }
}
