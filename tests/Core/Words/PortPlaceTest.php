<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Words;

use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Words\PortPlace;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Where a port is, as a list of ports says it. */
final class PortPlaceTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function ports(): iterable
    {
        yield 'Art-Net in and out' => [
            [
                'protocol' => 'art-net',
                'receive' => ['feeds' => [['number' => 291, 'universe' => 'palm']]],
                'send' => ['to' => ['10.0.0.7', '10.0.0.8'], 'carries' => [['number' => 0, 'universe' => 'palm']]],
            ],
            'listens at 0.0.0.0:6454, sends to 10.0.0.7, 10.0.0.8:6454, 1:2:3 (291) → Palm House, Palm House → 0:0:0 (0)',
        ];
        yield 'sACN by multicast' => [
            [
                'protocol' => 'sacn',
                'receive' => ['address' => 'eth1', 'multicast' => true, 'feeds' => [['number' => 7, 'universe' => 'palm']]],
                'send' => ['multicast' => true],
            ],
            'listens at eth1:5568, sends to multicast:5568, universe 7 → Palm House',
        ];
        yield 'OSC that answers' => [
            [
                'protocol' => 'osc',
                'receive' => ['address' => '10.0.0.1', 'port' => 8000],
                'send' => ['port' => 9000, 'replies' => true],
            ],
            'listens at 10.0.0.1:8000, sends to the last sender',
        ];
        yield 'OSC over TCP' => [
            ['protocol' => 'osc', 'link' => ['kind' => 'tcp'], 'receive' => ['port' => 8100], 'send' => ['to' => []]],
            'listens at 0.0.0.0:8100 (TCP), sends to whoever is connected (TCP)',
        ];
        yield 'a session that we invite' => [
            ['protocol' => 'midi', 'link' => ['kind' => 'session'], 'send' => ['to' => ['10.0.0.9']]],
            'sends to 10.0.0.9:5004 (network session)',
        ];
        yield 'a cable' => [
            ['protocol' => 'midi', 'link' => ['kind' => 'cable', 'device' => 'slides'], 'receive' => []],
            'virtual cable slides',
        ];
        yield 'a device of a page' => [
            ['protocol' => 'controller', 'link' => ['kind' => 'browser', 'device' => 'Stick'], 'receive' => []],
            'lent by a page Stick',
        ];
        yield 'a serial line' => [
            [
                'protocol' => 'dmx-line',
                'link' => ['kind' => 'serial', 'device' => '/dev/ttyUSB0'],
                'send' => ['carries' => [['number' => 1, 'universe' => 'palm']]],
            ],
            'serial device /dev/ttyUSB0, Palm House → line',
        ];
    }

    /** @param array<string, mixed> $port */
    #[DataProvider('ports')]
    public function testItIsSaidInFewWords(array $port, string $words): void
    {
        $show = ShowReader::fromArray([...Rig::document(), 'ports' => [['id' => 'x', 'name' => 'X'] + $port], 'routes' => []]);
        self::assertSame($words, PortPlace::of($show->ports['x'], $show));
    }
}
