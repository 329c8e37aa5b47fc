<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Discovery;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Signal\Protocol;

/** Makes a port out of something that was found on the network. */
final class DiscoveredPort
{
    private const MOST_UNIVERSES = 512;

    /**
     * What it gives is received into universes of their own, what it takes is
     * sent from universes of their own: nothing that is lit changes.
     *
     * @param array<string, mixed> $document a show document
     * @param array<mixed> $find name, protocol ("art-net", "sacn" or "osc"), address, ours, gives, takes
     *
     * @return array{array<string, mixed>, string} the document with the port, and the port's id
     *
     * @throws ShowRefused
     */
    public static function apply(array $document, array $find): array
    {
        $protocol = Protocol::tryFrom(\is_string($find['protocol'] ?? null) ? $find['protocol'] : '');
        $name = \is_string($find['name'] ?? null) && trim($find['name']) !== '' ? mb_substr(trim($find['name']), 0, 80) : 'Found';
        $address = $find['address'] ?? null;
        if (
            $protocol === null
            || ! \is_string($address)
            || filter_var($address, \FILTER_VALIDATE_IP, \FILTER_FLAG_IPV4) === false
        ) {
            throw ShowRefused::because(
                [new Fault('', 'what was found has no protocol or no address', 'Give "protocol", and "address" as IPv4.')],
            );
        }
        $ours = \is_string($find['ours'] ?? null) ? $find['ours'] : '0.0.0.0';
        $port = ['id' => self::freeId($document, 'ports', $name), 'name' => $name, 'protocol' => $protocol->value];
        foreach ([
            'receive' => [$find['gives'] ?? [], 'feeds'],
            'send' => [$find['takes'] ?? [], 'carries'],
        ] as $side => [$numbers, $list]) {
            if (
                ! \is_array($numbers)
                || ! array_is_list($numbers)
                || \count($numbers) > self::MOST_UNIVERSES
                || array_filter($numbers, \is_int(...)) !== $numbers
            ) {
                throw ShowRefused::because(
                    [
                        new Fault(
                            $side === 'receive' ? '/gives' : '/takes',
                            'it is no short list of universe numbers',
                            'Give at most '.self::MOST_UNIVERSES.' whole numbers.',
                        ),
                    ],
                );
            }
            if ($numbers === []) {
                continue;
            }
            $links = [];
            foreach ($numbers as $number) {
                [$document, $universe] = self::universe($document, $protocol === Protocol::DmxLine ? $name : "{$name} {$number}");
                $links[] = ['number' => $number, 'universe' => $universe];
            }
            $port[$side] = $side === 'receive' ? ['address' => $ours, $list => $links] : ['to' => [$address], $list => $links];
        }
        if (! isset($port['receive']) && ! isset($port['send'])) {
            // It names no universes yet: we listen, so that what it sends shows as soon as it comes.
            $port['receive'] = ['address' => $ours, 'feeds' => []];
        }
        $ports = \is_array($document['ports'] ?? null) ? $document['ports'] : [];
        $document['ports'] = [...$ports, $port];

        return [$document, $port['id']];
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return array{array<string, mixed>, string}
     */
    private static function universe(array $document, string $name): array
    {
        $id = self::freeId($document, 'universes', $name);
        $universes = \is_array($document['universes'] ?? null) ? $document['universes'] : [];
        $document['universes'] = [...$universes, ['id' => $id, 'name' => $name]];

        return [$document, $id];
    }

    /** @param array<string, mixed> $document */
    private static function freeId(array $document, string $list, string $name): string
    {
        $taken = array_column(\is_array($document[$list] ?? null) ? $document[$list] : [], 'id');
        $base = trim((string) preg_replace('/[^a-z0-9]+/', '-', strtolower($name)), '-') ?: 'found';
        $base = substr($base, 0, 50);
        for ($id = $base, $number = 2; \in_array($id, $taken, true); ++$number) {
            $id = "{$base}-{$number}";
        }

        return $id;
    }
}
