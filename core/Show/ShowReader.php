<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Universe\LossRule;
use NimbleJunction\Core\Universe\MergeRule;
use NimbleJunction\Core\Universe\WhenLost;
use NimbleJunction\Core\Wire\ArtNet\Packet as ArtNet;
use NimbleJunction\Core\Wire\ArtNet\PortAddress;
use NimbleJunction\Core\Wire\Sacn\Packet as Sacn;
use NimbleJunction\Core\Wire\Sacn\Universe as SacnUniverse;

/** Reads a show document strictly: all of it is sound, or it is refused with every fault found. */
final class ShowReader
{
    public const ADDRESS_PATTERN = '#^/[^\s\#*,?\[\]{}]{1,199}$#D';

    /** @throws ShowRefused */
    public static function fromJson(string $json): Show
    {
        try {
            $document = json_decode($json, true, 64, \JSON_THROW_ON_ERROR);
        } catch (\JsonException $exception) {
            throw ShowRefused::notJson($exception->getMessage());
        }

        return self::fromArray(\is_array($document) ? $document : []);
    }

    /**
     * @param array<mixed> $document
     *
     * @throws ShowRefused
     */
    public static function fromArray(array $document): Show
    {
        /** @var \ArrayObject<int, Fault> $faults */
        $faults = new \ArrayObject();
        $fields = new Fields($document, '', $faults);
        $fields->word('format', [Show::FORMAT]);
        $fields->whole('version', Show::VERSION, Show::VERSION);
        $show = new Show(
            $fields->string('name'),
            self::byId($fields->objects('universes', 1024), self::universe(...)),
            self::byId($fields->objects('ports', 512), self::port(...)),
            self::byId($fields->objects('routes', 20000), self::route(...)),
        );
        $fields->close();
        self::checkReferences($show, $document, $faults);
        $found = array_values($faults->getArrayCopy());
        if ($found !== []) {
            throw ShowRefused::because($found);
        }

        return $show;
    }

    /**
     * @template T of object
     *
     * @param list<Fields> $objects
     * @param callable(Fields): T $read
     *
     * @return array<string, T>
     */
    private static function byId(array $objects, callable $read): array
    {
        $entries = [];
        foreach ($objects as $fields) {
            $id = $fields->id();
            if (isset($entries[$id])) {
                $fields->fault('id', "\"{$id}\" is used twice", 'Every id may be used once.');
            }
            $entries[$id] = $read($fields);
            $fields->close();
        }

        return $entries;
    }

    private static function universe(Fields $fields): UniverseEntry
    {
        return new UniverseEntry(
            $fields->id(),
            $fields->string('name'),
            MergeRule::from($fields->word('merge', ['htp', 'ltp'], 'htp')),
            new WhenLost(
                LossRule::from($fields->word('whenLost', ['hold', 'fade', 'stop'], 'hold')),
                (int) round($fields->within('fadeSeconds', 0.0, 3600.0, 3.0) * 1e9),
            ),
        );
    }

    private static function port(Fields $fields): PortEntry
    {
        $protocol = Protocol::from($fields->word('protocol', array_column(Protocol::cases(), 'value')));
        $receive = $fields->has('receive') ? $fields->object('receive') : null;
        $send = $fields->has('send') ? $fields->object('send') : null;
        if ($receive === null && $send === null) {
            $fields->fault('', 'the port neither receives nor sends', 'Give "receive", "send" or both.');
        }

        return new PortEntry(
            $fields->id(),
            $fields->string('name'),
            $protocol,
            $fields->flag('enabled', true),
            $receive === null ? null : self::receive($receive, $protocol),
            $send === null ? null : self::send($send, $protocol),
        );
    }

    private static function receive(Fields $fields, Protocol $protocol): ReceiveSide
    {
        $levels = $protocol->carriesLevels();
        $side = new ReceiveSide(
            $fields->flag('enabled', true),
            $fields->address('address', '0.0.0.0'),
            $fields->whole('port', 1, 65535, self::usualPort($protocol)),
            $protocol === Protocol::Sacn && $fields->flag('multicast', false),
            $levels && $protocol !== Protocol::Sacn ? $fields->whole('priority', 0, 200, 100) : 100,
            $levels ? self::links($fields, 'feeds', $protocol) : [],
            $levels && $fields->flag('lastResort', false),
        );
        $fields->close();

        return $side;
    }

    private static function send(Fields $fields, Protocol $protocol): SendSide
    {
        $levels = $protocol->carriesLevels();
        $sacn = $protocol === Protocol::Sacn;
        $side = new SendSide(
            $fields->flag('enabled', true),
            $fields->address('address', '0.0.0.0'),
            $fields->addresses('to', 64),
            $fields->whole('port', 1, 65535, self::usualPort($protocol)),
            $sacn && $fields->flag('multicast', false),
            $levels ? $fields->whole('perSecond', 1, 44, 44) : 44,
            $sacn ? $fields->whole('priority', 0, 200, 100) : 100,
            $sacn && $fields->has('sourceName') ? $fields->string('sourceName', 63) : 'Nimble Junction',
            $levels ? self::links($fields, 'carries', $protocol) : [],
        );
        if ($side->to === [] && ! $side->multicast) {
            $fields->fault('to', 'there is nobody to send to', 'Give at least one IPv4 address'.($sacn ? ', or set multicast.' : '.'));
        }
        $fields->close();

        return $side;
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
            $links[] = new UniverseLink($link->whole('number', $lowest, $highest), $link->id('universe'));
            $link->close();
        }

        return $links;
    }

    private static function route(Fields $fields): RouteEntry
    {
        $from = $fields->object('from');
        $to = $fields->object('to');
        $fromMessage = $from === null || $from->word('kind', ['message', 'slot']) === 'message';
        if ($to !== null) {
            $to->word('kind', [$fromMessage ? 'slot' : 'message']);
        }
        $message = $fromMessage ? $from : $to;
        $slot = $fromMessage ? $to : $from;
        $route = new RouteEntry(
            $fields->id(),
            $fields->string('name'),
            $fields->flag('enabled', true),
            $fromMessage,
            $message === null ? new MessageEnd('', '', 1, 'float', 0.0, 1.0) : new MessageEnd(
                $message->id('port'),
                $message->matching('address', self::ADDRESS_PATTERN, 'An OSC address begins with "/" and has no spaces and none of # * , ? [ ] { }.'),
                $fromMessage ? $message->whole('argument', 1, 64, 1) : 1,
                $fromMessage ? 'float' : $message->word('type', ['float', 'int'], 'float'),
                $message->number('low', 0.0),
                $message->number('high', 1.0),
            ),
            $slot === null ? new SlotEnd('', 1, 0, 255) : new SlotEnd(
                $slot->id('universe'),
                $slot->whole('slot', 1, 512),
                $slot->whole('low', 0, 255, 0),
                $slot->whole('high', 0, 255, 255),
            ),
        );
        $from?->close();
        $to?->close();

        return $route;
    }

    /** @return int|null the port that the protocol's standard names */
    private static function usualPort(Protocol $protocol): ?int
    {
        return match ($protocol) {
            Protocol::ArtNet => ArtNet::UDP_PORT,
            Protocol::Sacn => Sacn::UDP_PORT,
            default => null,
        };
    }

    /**
     * @param array<mixed> $document
     * @param \ArrayObject<int, Fault> $faults
     */
    private static function checkReferences(Show $show, array $document, \ArrayObject $faults): void
    {
        $universe = static function (string $path, string $id) use ($show, $faults): void {
            if ($id !== '' && ! isset($show->universes[$id])) {
                $known = implode(', ', \array_slice(array_keys($show->universes), 0, 12));
                $faults[] = new Fault($path, "there is no universe \"{$id}\"", "Universes are: {$known}.");
            }
        };
        foreach (array_values($show->ports) as $i => $port) {
            foreach ($port->receive->feeds ?? [] as $k => $link) {
                $universe("/ports/{$i}/receive/feeds/{$k}/universe", $link->universe);
            }
            foreach ($port->send->carries ?? [] as $k => $link) {
                $universe("/ports/{$i}/send/carries/{$k}/universe", $link->universe);
            }
        }
        foreach (array_values($show->routes) as $i => $route) {
            [$message, $slot] = $route->fromMessage ? ['from', 'to'] : ['to', 'from'];
            $universe("/routes/{$i}/{$slot}/universe", $route->slot->universe);
            $port = $show->ports[$route->message->port] ?? null;
            $path = "/routes/{$i}/{$message}/port";
            if ($port === null) {
                if ($route->message->port !== '') {
                    $faults[] = new Fault($path, "there is no port \"{$route->message->port}\"", 'Name the id of an OSC port.');
                }
            } elseif ($port->protocol !== Protocol::Osc) {
                $faults[] = new Fault($path, "\"{$port->name}\" is {$port->protocol->spelled()} and carries no messages", 'Name the id of an OSC port.');
            } elseif (($route->fromMessage ? $port->receive : $port->send) === null) {
                $faults[] = new Fault($path, "\"{$port->name}\" does not ".($route->fromMessage ? 'receive' : 'send'), 'Give the port that side first.');
            }
        }
    }
}
