<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Wire\Osc\Message as Osc;

/** Routes on a rig with a MIDI cable besides, and what leaves because of a message. */
trait RoutesOnARig
{
    private const CABLE = [
        'id' => 'lectern',
        'name' => 'Lectern',
        'protocol' => 'midi',
        'link' => ['kind' => 'cable', 'device' => 'lectern'],
        'receive' => [],
        'send' => [],
    ];

    /** @param list<array<string, mixed>> $routes @param array<string, mixed> $more */
    private function rig(array $routes, array $more = []): Rig
    {
        return new Rig(['ports' => [...Rig::document()['ports'], self::CABLE], 'routes' => $routes, ...$more]);
    }

    /** @return list<string> what leaves as messages, in hexadecimal */
    private function left(Rig $rig, string $port, string $hex): array
    {
        $key = (string) array_key_first(
            array_filter(
                $rig->junction->plan()->endpoints,
                static fn($endpoint): bool => \in_array($port, $endpoint->portIds, true),
            ),
        );
        $packets = $rig->junction->arrived(
            $key,
            '127.0.0.15',
            $port === 'tablet' ? 9000 : 0,
            (string) hex2bin($hex),
            $rig->nanos(),
        );

        return array_values(
            array_map(
                static fn(OutgoingPacket $one): string => bin2hex($one->bytes),
                array_filter(
                    $packets,
                    static fn(OutgoingPacket $one): bool => \in_array($one->portId, ['lectern', 'tablet'], true),
                ),
            ),
        );
    }

    private function point(string $text): Reference
    {
        return Reference::parse($text) ?? self::fail($text);
    }

    private static function osc(string $address, int|float|string ...$arguments): string
    {
        return bin2hex(
            (new Osc($address, array_map(\NimbleJunction\Core\Wire\Osc\Argument::of(...), array_values($arguments))))->encode(),
        );
    }
}
