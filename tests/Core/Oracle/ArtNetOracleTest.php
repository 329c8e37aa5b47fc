<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Oracle;

use NimbleJunction\Core\Codec\ArtNetSender;
use NimbleJunction\Core\Wire\ArtNet\Address;
use NimbleJunction\Core\Wire\ArtNet\AddressCommand;
use NimbleJunction\Core\Wire\ArtNet\Command;
use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\Input;
use NimbleJunction\Core\Wire\ArtNet\IpProg;
use NimbleJunction\Core\Wire\ArtNet\NodePort;
use NimbleJunction\Core\Wire\ArtNet\Packet;
use NimbleJunction\Core\Wire\ArtNet\Poll;
use NimbleJunction\Core\Wire\ArtNet\PollReply;
use NimbleJunction\Core\Wire\ArtNet\PortAddress;
use NimbleJunction\Core\Wire\ArtNet\Sync;
use NimbleJunction\Core\Wire\ArtNet\TimeCode;
use NimbleJunction\Core\Wire\ArtNet\Trigger;
use NimbleJunction\Tests\Support\NodeOracle;
use NimbleJunction\Tests\Support\Tshark;
use PHPUnit\Framework\TestCase;

/** Our Art-Net against tshark and the npm library dmxnet. */
final class ArtNetOracleTest extends TestCase
{
    public function testTsharkReadsOurDmxPollAndSync(): void
    {
        $levels = implode('', array_map(\chr(...), range(0, 255))).str_repeat("\x7F", 256);
        [$dmx, $poll, $sync] = Tshark::fields(
            [(new Dmx(0x1234, $levels, 77, 3))->encode(), (new Poll(6, 0x80))->encode(), (new Sync())->encode()],
            6454,
            [
                'artnet.header.opcode',
                'artnet.header.protver',
                'artnet.output.sequence',
                'artnet.output.physical',
                'artnet.output.universe',
                'artnet.output.length',
                '_ws.malformed',
            ],
        );
        self::assertSame(
            ['0x5000', '14', '77', '3', '512', ''],
            [
                $dmx['artnet.header.opcode'],
                $dmx['artnet.header.protver'],
                $dmx['artnet.output.sequence'],
                $dmx['artnet.output.physical'],
                $dmx['artnet.output.length'],
                $dmx['_ws.malformed'],
            ],
        );
        self::assertSame(0x1234, (int) $dmx['artnet.output.universe']);
        self::assertSame(['0x2000', ''], [$poll['artnet.header.opcode'], $poll['_ws.malformed']]);
        self::assertSame(['0x5200', ''], [$sync['artnet.header.opcode'], $sync['_ws.malformed']]);
    }

    public function testTsharkReadsOurPollReply(): void
    {
        $reply = new PollReply(
            '127.0.0.1',
            'Nimble Junction',
            'Nimble Junction: House desk',
            [NodePort::output(4)],
            18,
            3,
            2,
            '#0001 [0000] all is well',
            style: 1,
        );
        self::assertSame(239, \strlen($reply->encode()));
        [$read] = Tshark::fields([$reply->encode()], 6454, [
            'artnet.header.opcode',
            'artnet.poll_reply.ip_address',
            'artnet.poll_reply.port_nr',
            'artnet.poll_reply.short_name',
            'artnet.poll_reply.long_name',
            'artnet.poll_reply.node_report',
            'artnet.poll_reply.num_ports',
            'artnet.poll_reply.swout_1_universe',
            'artnet.poll_reply.netswitch',
            'artnet.poll_reply.subswitch',
            'artnet.poll_reply.bind_index',
            '_ws.malformed',
        ]);
        self::assertSame('0x2100', $read['artnet.header.opcode']);
        self::assertSame('127.0.0.1', $read['artnet.poll_reply.ip_address']);
        self::assertSame('6454', $read['artnet.poll_reply.port_nr']);
        self::assertSame('Nimble Junction', $read['artnet.poll_reply.short_name']);
        self::assertSame('Nimble Junction: House desk', $read['artnet.poll_reply.long_name']);
        self::assertSame('#0001 [0000] all is well', $read['artnet.poll_reply.node_report']);
        self::assertSame('1', $read['artnet.poll_reply.num_ports']);
        self::assertSame('0x02', $read['artnet.poll_reply.bind_index']);
        self::assertSame(
            [0x1234, 18, 3],
            array_map(
                static fn(string $field): int => (int) \intval($read["artnet.poll_reply.{$field}"], 0),
                ['swout_1_universe', 'netswitch', 'subswitch'],
            ),
        );
        self::assertSame('', $read['_ws.malformed']);
    }

    public function testDmxnetReadsWhatWeSend(): void
    {
        $levels = array_map(static fn(int $i): int => $i * 7 % 256, range(0, 511));
        $bytes = (new ArtNetSender(PortAddress::from(5, 10, 11)->number))->send(implode('', array_map(\chr(...), $levels)), 254);
        [$heard, $other] = NodeOracle::ask([
            ['ask' => 'dmxnet decode', 'net' => 5, 'subnet' => 10, 'universe' => 11, 'bytes' => bin2hex($bytes)],
            ['ask' => 'dmxnet decode', 'net' => 5, 'subnet' => 10, 'universe' => 12, 'bytes' => bin2hex($bytes)],
        ]);
        self::assertSame($levels, $heard['levels']);
        self::assertNull($other['levels'], 'a receiver of the next universe hears nothing');
    }

    public function testWeReadWhatDmxnetSends(): void
    {
        $levels = array_map(static fn(int $i): int => 255 - $i % 256, range(0, 511));
        [$made] = NodeOracle::ask(
            [['ask' => 'dmxnet encode', 'net' => 127, 'subnet' => 15, 'universe' => 14, 'levels' => $levels]],
        );
        $packet = Packet::decode((string) hex2bin($made['bytes']));
        self::assertInstanceOf(Dmx::class, $packet);
        self::assertSame('127:15:14', PortAddress::of($packet->portAddress)->spelled());
        self::assertSame(implode('', array_map(\chr(...), $levels)), $packet->levels);
        self::assertSame($packet->encode(), hex2bin($made['bytes']), 'written again it is the same');
    }

    public function testTsharkReadsOurAddressInputTriggerIpProgAndTheOthers(): void
    {
        $fields = [
            'artnet.header.opcode',
            'artnet.address.short_name',
            'artnet.address.long_name',
            'artnet.address.command',
            'artnet.address.swout_1',
            'artnet.input.num_ports',
            'artnet.input.input_2',
            'artnet.trigger.oemcode',
            'artnet.trigger.key',
            'artnet.trigger.subkey',
            'artnet.ip_prog.ip',
            'artnet.ip_prog.sm',
            'artnet.ip_prog.port',
            'artnet.ip_prog.command_prog_ip',
            '_ws.malformed',
        ];
        [$address, $input, $trigger, $ipProg, $timeCode, $command] = Tshark::fields([
            (new Address(AddressCommand::MergeLtp0, 'Palm node', 'Palm House node', swOut: [0x84, 0x7F, 0x7F, 0x7F]))->encode(),
            (new Input([true, false]))->encode(),
            (new Trigger(1, 42, data: 'x'))->encode(),
            (new IpProg(IpProg::PROGRAMME | IpProg::ADDRESS, '127.0.0.9', '255.0.0.0', 6454, '0.0.0.0'))->encode(),
            (new TimeCode(1, 2, 3, 4, 1))->encode(),
            (new Command('SwoutText=Palm&'))->encode(),
        ], 6454, $fields);
        self::assertSame(
            ['0x6000', 'Palm node', 'Palm House node'],
            [$address['artnet.header.opcode'], $address['artnet.address.short_name'], $address['artnet.address.long_name']],
        );
        self::assertSame(
            [0x10, 0x84],
            [\intval($address['artnet.address.command'], 0), \intval($address['artnet.address.swout_1'], 0)],
        );
        self::assertSame(
            ['0x7000', 2, 1],
            [
                $input['artnet.header.opcode'],
                \intval($input['artnet.input.num_ports'], 0),
                \intval($input['artnet.input.input_2'], 0),
            ],
        );
        self::assertSame(
            ['0x9900', 0xFFFF, 1, 42],
            [$trigger['artnet.header.opcode'], ...array_map(static fn(string $name): int => \intval($trigger["artnet.trigger.{$name}"], 0), ['oemcode', 'key', 'subkey'])],
        );
        self::assertSame(
            ['0xf800', '127.0.0.9', '255.0.0.0', 6454],
            [
                $ipProg['artnet.header.opcode'],
                $ipProg['artnet.ip_prog.ip'],
                $ipProg['artnet.ip_prog.sm'],
                \intval($ipProg['artnet.ip_prog.port'], 0),
            ],
        );
        self::assertContains($ipProg['artnet.ip_prog.command_prog_ip'], ['1', 'True']);
        self::assertSame(['0x9700', '0x2400'], [$timeCode['artnet.header.opcode'], $command['artnet.header.opcode']]);
        self::assertSame(
            ['', '', '', '', '', ''],
            array_column([$address, $input, $trigger, $ipProg, $timeCode, $command], '_ws.malformed'),
        );
    }

    public function testTsharkReadsAPollReplyWithEverythingInIt(): void
    {
        $ports = [new NodePort(0xC0, 3, 4, 0x80, 0x8A), NodePort::output(5)];
        $reply = new PollReply(
            '127.0.0.9',
            'Palm node',
            'Palm House node',
            $ports,
            127,
            15,
            7,
            '#0001 [0042] fine',
            0x0102,
            0x1234,
            0x4A4E,
            0x42,
            0x0B,
            0x20,
            "\x02\0\0\x0a\x0b\x0c",
            2,
            bindAddress: '127.0.0.8',
        );
        $names = [
            'versinfo',
            'oem',
            'esta_man',
            'status',
            'port_types_1',
            'good_input_1',
            'good_output_1',
            'swin_1',
            'swout_2',
            'style',
            'mac',
            'bind_ip_address',
            'bind_index',
            'num_ports',
            'netswitch',
            'subswitch',
        ];
        [$read] = Tshark::fields(
            [$reply->encode()],
            6454,
            [...array_map(static fn(string $name): string => "artnet.poll_reply.{$name}", $names), '_ws.malformed'],
        );
        $number = static fn(string $name): int => \intval($read["artnet.poll_reply.{$name}"], 0);
        self::assertSame([0x0102, 0x1234, 0x4A4E, 0x42], array_map($number, ['versinfo', 'oem', 'esta_man', 'status']));
        self::assertSame(
            [0xC0, 0x80, 0x8A, 3, 5],
            array_map($number, ['port_types_1', 'good_input_1', 'good_output_1', 'swin_1', 'swout_2']),
        );
        self::assertSame([2, 7, 2, 127, 15], array_map($number, ['style', 'bind_index', 'num_ports', 'netswitch', 'subswitch']));
        self::assertSame(
            ['02:00:00:0a:0b:0c', '127.0.0.8', ''],
            [$read['artnet.poll_reply.mac'], $read['artnet.poll_reply.bind_ip_address'], $read['_ws.malformed']],
        );
        self::assertEquals($reply, Packet::decode($reply->encode()));
        self::assertSame(
            ['web page, address from DHCP, 15-bit port-addresses, RDM', '127:15:4', true, true],
            [$reply->features(), $reply->portAddress($ports[0])->spelled(), $ports[0]->isMerging(), $ports[0]->mergesLtp()],
        );
    }
}
