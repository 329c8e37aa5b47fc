<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Oracle;

use NimbleJunction\Core\Codec\SacnSender;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Core\Wire\Sacn\Packet;
use NimbleJunction\Tests\Support\NodeOracle;
use NimbleJunction\Tests\Support\Tshark;
use PHPUnit\Framework\TestCase;

/** Our sACN against tshark and the npm library sacn. */
final class SacnOracleTest extends TestCase
{
    private const CID = '0123456789abcdeffedcba9876543210';

    public function testTsharkReadsOurData(): void
    {
        $packet = new Data(
            (string) hex2bin(self::CID),
            63999,
            str_repeat("\x40", 512),
            200,
            150,
            'Guest desk',
            Data::TERMINATED | Data::PREVIEW,
            7,
        );
        self::assertSame(638, \strlen($packet->encode()), 'ANSI E1.31-2018, table 4-1: a full packet');
        [$read] = Tshark::fields([$packet->encode()], 5568, [
            'acn.cid',
            'acn.dmx.universe',
            'acn.dmx.priority',
            'acn.dmx.source_name',
            'acn.dmx.seq_number',
            'acn.dmx.start_code',
            'acn.dmx.count',
            'acn.dmx.option_p',
            'acn.dmx.option_s',
            '_ws.malformed',
        ], ['--enable-heuristic', 'acn', '-o', 'acn.dmx_enable:TRUE']);
        self::assertSame(self::CID, str_replace('-', '', $read['acn.cid']));
        self::assertSame('63999', $read['acn.dmx.universe']);
        self::assertSame('150', $read['acn.dmx.priority']);
        self::assertSame('Guest desk', $read['acn.dmx.source_name']);
        self::assertSame('200', $read['acn.dmx.seq_number']);
        self::assertSame(0, (int) $read['acn.dmx.start_code']);
        self::assertSame(513, (int) $read['acn.dmx.count']);
        self::assertContains($read['acn.dmx.option_p'], ['1', 'True']);
        self::assertContains($read['acn.dmx.option_s'], ['1', 'True']);
        self::assertSame('', $read['_ws.malformed']);
    }

    public function testTheLibraryReadsWhatWeSend(): void
    {
        $levels = array_map(static fn(int $i): int => $i * 3 % 256, range(0, 511));
        $bytes = (new SacnSender(
            (string) hex2bin(self::CID),
            7,
            120,
            'Fernhall junction',
        ))->send(implode('', array_map(\chr(...), $levels)), 259);
        [$read] = NodeOracle::ask([['ask' => 'sacn decode', 'bytes' => bin2hex($bytes)]]);
        self::assertSame(
            [
                'universe' => 7,
                'sequence' => 3,
                'priority' => 120,
                'name' => 'Fernhall junction',
                'cid' => self::CID,
                'options' => 0,
                'levels' => $levels,
            ],
            $read,
        );
    }

    public function testWeReadWhatTheLibrarySends(): void
    {
        $levels = array_map(static fn(int $i): int => 255 - $i % 200, range(0, 511));
        [$made] = NodeOracle::ask(
            [
                [
                    'ask' => 'sacn encode',
                    'universe' => 300,
                    'sequence' => 9,
                    'priority' => 180,
                    'name' => 'Visitor',
                    'cid' => self::CID,
                    'levels' => $levels,
                ],
            ],
        );
        $packet = Packet::decode((string) hex2bin($made['bytes']));
        self::assertInstanceOf(Data::class, $packet);
        self::assertSame(
            [300, 9, 180, 'Visitor', self::CID, 0],
            [
                $packet->universe,
                $packet->sequence,
                $packet->priority,
                $packet->sourceName,
                bin2hex($packet->cid),
                $packet->startCode,
            ],
        );
        self::assertSame(implode('', array_map(\chr(...), $levels)), $packet->levels);
        self::assertSame($packet->encode(), hex2bin($made['bytes']), 'written again it is the same');
    }
}
