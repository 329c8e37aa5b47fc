<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Show;

use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Words\OtherEnd;
use NimbleJunction\Tests\Support\PortsOfEachKind;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What the other ends of ports need, in their terms. */
final class OtherEndsTest extends TestCase
{
    use PortsOfEachKind;

    /** @return iterable<string, array{array<string, mixed>, array<string, string>}> */
    public static function ends(): iterable
    {
        yield 'a cable' => [
            self::CABLE,
            [
                'Protocol' => 'MIDI',
                'Virtual cable of this machine' => 'slides',
                'For another program' => 'the Unix socket cables/slides.midi in the data folder of the engine',
            ],
        ];
        yield 'a controller' => [
            self::STICK,
            [
                'Protocol' => 'Game controller',
                'Device' => 'Stick',
                'Where it is plugged in' => 'open this page there, Ports, Lend devices',
            ],
        ];
        yield 'TCP' => [
            self::TCP,
            [
                'Protocol' => 'OSC over TCP',
                'Connect to' => '10.0.0.1',
                'TCP port' => '8100',
                'Framing' => 'SLIP (OSC 1.1)',
                'It connects to' => 'us, as above: we send to all that are connected',
            ],
        ];
        yield 'TCP that we call' => [
            [...self::TCP, 'send' => ['to' => ['10.0.0.9'], 'port' => 9100]],
            ['It waits for our connection at' => '10.0.0.9, TCP port 9100'],
        ];
        yield 'a session' => [
            [
                'id' => 'extra',
                'name' => 'Extra',
                'protocol' => 'midi',
                'link' => ['kind' => 'session'],
                'receive' => ['address' => '10.0.0.1'],
                'send' => ['to' => ['10.0.0.9'], 'port' => 5020],
            ],
            [
                'Protocol' => 'MIDI over the network (RTP-MIDI)',
                'Invite' => '10.0.0.1',
                'Control port' => '5004',
                'Data port' => '5005',
                'It must accept our invitation at' => '10.0.0.9, control port 5020, data port 5021',
            ],
        ];
        yield 'a serial line' => [
            [
                'id' => 'extra',
                'name' => 'Extra',
                'protocol' => 'dmx-line',
                'link' => ['kind' => 'serial', 'device' => '/dev/ttyUSB0'],
                'send' => ['carries' => [['number' => 1, 'universe' => 'palm']]],
            ],
            [
                'Serial device of this machine' => '/dev/ttyUSB0',
                'Line' => '250 kbit/s, 8 data bits, 2 stop bits, break before each packet (ANSI E1.11)',
                'Levels' => 'Palm House',
            ],
        ];
        yield 'OSC that answers' => [
            [
                'id' => 'extra',
                'name' => 'Extra',
                'protocol' => 'osc',
                'send' => ['port' => 9200, 'replies' => true, 'heartbeat' => '/alive', 'heartbeatSeconds' => 0.5],
            ],
            ['Its own address' => 'any: we reply to the last sender', 'Heartbeat' => '/alive every 0.5 s'],
        ];
        yield 'sACN with synchronisation' => [
            self::SACN,
            ['Synchronisation universe' => '7', 'Palm House: its multicast group' => '239.255.0.5'],
        ];
    }

    /**
     * @param array<string, mixed> $port
     * @param array<string, string> $wanted
     */
    #[DataProvider('ends')]
    public function testWhatEveryOtherEndNeeds(array $port, array $wanted): void
    {
        $show = ShowReader::fromArray([...Rig::document(), 'ports' => [...Rig::document()['ports'], $port], 'routes' => []]);
        $lines = array_column(OtherEnd::of($show->ports['extra'], $show, ['127.0.0.1']), 'value', 'label');
        self::assertEquals($wanted, array_intersect_key($lines, $wanted));
    }
}
