<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Oracle;

use NimbleJunction\Core\Port\ArtNetSender;
use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\NodePort;
use NimbleJunction\Core\Wire\ArtNet\Packet;
use NimbleJunction\Core\Wire\ArtNet\Poll;
use NimbleJunction\Core\Wire\ArtNet\PollReply;
use NimbleJunction\Core\Wire\ArtNet\PortAddress;
use NimbleJunction\Core\Wire\ArtNet\Sync;
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
            ['artnet.header.opcode', 'artnet.header.protver', 'artnet.output.sequence', 'artnet.output.physical', 'artnet.output.universe', 'artnet.output.length', '_ws.malformed'],
        );
        self::assertSame(['0x5000', '14', '77', '3', '512', ''], [$dmx['artnet.header.opcode'], $dmx['artnet.header.protver'], $dmx['artnet.output.sequence'], $dmx['artnet.output.physical'], $dmx['artnet.output.length'], $dmx['_ws.malformed']]);
        self::assertSame(0x1234, (int) $dmx['artnet.output.universe']);
        self::assertSame(['0x2000', ''], [$poll['artnet.header.opcode'], $poll['_ws.malformed']]);
        self::assertSame(['0x5200', ''], [$sync['artnet.header.opcode'], $sync['_ws.malformed']]);
    }

    public function testTsharkReadsOurPollReply(): void
    {
        $reply = new PollReply('127.0.0.1', 'Nimble Junction', 'Nimble Junction: House desk', [NodePort::output(4)], 18, 3, 2, '#0001 [0000] all is well', style: 1);
        self::assertSame(239, \strlen($reply->encode()));
        [$read] = Tshark::fields([$reply->encode()], 6454, [
            'artnet.header.opcode', 'artnet.poll_reply.ip_address', 'artnet.poll_reply.port_nr', 'artnet.poll_reply.short_name', 'artnet.poll_reply.long_name',
            'artnet.poll_reply.node_report', 'artnet.poll_reply.num_ports', 'artnet.poll_reply.swout_1_universe', 'artnet.poll_reply.netswitch', 'artnet.poll_reply.subswitch', 'artnet.poll_reply.bind_index', '_ws.malformed',
        ]);
        self::assertSame('0x2100', $read['artnet.header.opcode']);
        self::assertSame('127.0.0.1', $read['artnet.poll_reply.ip_address']);
        self::assertSame('6454', $read['artnet.poll_reply.port_nr']);
        self::assertSame('Nimble Junction', $read['artnet.poll_reply.short_name']);
        self::assertSame('Nimble Junction: House desk', $read['artnet.poll_reply.long_name']);
        self::assertSame('#0001 [0000] all is well', $read['artnet.poll_reply.node_report']);
        self::assertSame('1', $read['artnet.poll_reply.num_ports']);
        self::assertSame('0x02', $read['artnet.poll_reply.bind_index']);
        self::assertSame([0x1234, 18, 3], array_map(static fn(string $field): int => (int) \intval($read["artnet.poll_reply.{$field}"], 0), ['swout_1_universe', 'netswitch', 'subswitch']));
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
        [$made] = NodeOracle::ask([['ask' => 'dmxnet encode', 'net' => 127, 'subnet' => 15, 'universe' => 14, 'levels' => $levels]]);
        $packet = Packet::decode((string) hex2bin($made['bytes']));
        self::assertInstanceOf(Dmx::class, $packet);
        self::assertSame('127:15:14', PortAddress::of($packet->portAddress)->spelled());
        self::assertSame(implode('', array_map(\chr(...), $levels)), $packet->levels);
        self::assertSame($packet->encode(), hex2bin($made['bytes']), 'written again it is the same');
    }
}
