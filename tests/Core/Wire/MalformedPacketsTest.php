<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Wire;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\Packet as ArtNet;
use NimbleJunction\Core\Wire\ArtNet\PollReply;
use NimbleJunction\Core\Wire\DmxLine\Line;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Core\Wire\Osc\Packet as Osc;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Core\Wire\Sacn\Packet as Sacn;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Packets that break their format: each is refused with the byte and the reason, and nothing else is thrown. */
final class MalformedPacketsTest extends TestCase
{
    /** @return iterable<string, array{callable(string): mixed, string, int, string}> decoder, bytes, offset, words */
    public static function broken(): iterable
    {
        $dmx = (new Dmx(1, str_repeat("\1", 512), 5))->encode();
        $sacn = (new Data(str_repeat('c', 16), 1, str_repeat("\1", 512)))->encode();
        $osc = (new Message('/lamp', [Argument::float(0.5)]))->encode();
        $art = ArtNet::decode(...);
        $acn = Sacn::decode(...);
        $o = Osc::decode(...);
        yield 'Art-Net: empty' => [$art, '', 0, 'takes at least 10'];
        yield 'Art-Net: not Art-Net' => [$art, 'Art-Nut'.substr($dmx, 7), 0, 'does not begin'];
        yield 'Art-Net: unknown operation' => [$art, substr_replace($dmx, "\xEE\xEE", 8, 2), 8, '0xEEEE'];
        yield 'Art-Net: version 13' => [$art, substr_replace($dmx, "\x00\x0D", 10, 2), 10, 'older than 14'];
        yield 'Art-Net: length 0' => [$art, substr_replace($dmx, "\x00\x00", 16, 2), 16, '1 to 512'];
        yield 'Art-Net: length 514' => [$art, substr_replace($dmx."\0\0", "\x02\x02", 16, 2), 16, '1 to 512'];
        yield 'Art-Net: cut off' => [$art, substr($dmx, 0, 300), 300, 'takes at least 530'];
        yield 'Art-Net: net 128' => [$art, substr_replace($dmx, "\x80", 15, 1), 15, '0 to 127'];
        yield 'Art-Net: short poll' => [$art, substr_replace(substr($dmx, 0, 13), "\x00\x20", 8, 2), 13, 'ArtPoll'];
        yield 'Art-Net: poll reply with five sockets' => [
            $art,
            substr_replace((new PollReply('127.0.0.1', 'a', 'b'))->encode(), "\x05", 173, 1),
            172,
            '0 to 4',
        ];
        $packet = static fn(string $code, string $rest): string => "Art-Net\0{$code}\x00\x0E{$rest}";
        yield 'Art-Net: Nzs with start code 0' => [$art, $packet("\x00\x51", "\0\0\0\0\0\1x"), 13, '0x00'];
        yield 'Art-Net: Nzs with RDM' => [$art, $packet("\x00\x51", "\0\xCC\0\0\0\1x"), 13, '0xCC'];
        yield 'Art-Net: Nzs longer than it is' => [$art, $packet("\x00\x51", "\0\x17\0\0\0\5x"), 19, 'ArtNzs with 5 slots'];
        yield 'Art-Net: time code, frame 30' => [$art, $packet("\x00\x97", "\0\0\x1E\0\0\0\3"), 14, 'Frames is 30'];
        yield 'Art-Net: time code, hour 24' => [$art, $packet("\x00\x97", "\0\0\0\0\0\x18\3"), 17, 'Hours is 24'];
        yield 'Art-Net: time code of a fifth kind' => [$art, $packet("\x00\x97", "\0\0\0\0\0\0\4"), 18, 'Type is 4'];
        yield 'Art-Net: short trigger' => [$art, $packet("\x00\x99", "\0\0\xFF\xFF\1"), 17, 'ArtTrigger'];
        yield 'Art-Net: command longer than it is' => [
            $art,
            $packet("\x00\x24", "\xFF\xFF\0\x09Swou"),
            20,
            'ArtCommand with 9 bytes',
        ];
        yield 'Art-Net: command of 513 bytes' => [$art, $packet("\x00\x24", "\xFF\xFF\2\1".str_repeat('x', 513)), 14, '0 to 512'];
        yield 'Art-Net: short address' => [$art, $packet("\x00\x60", str_repeat("\0", 94)), 106, 'ArtAddress'];
        yield 'Art-Net: five inputs' => [$art, $packet("\x00\x70", "\0\1\0\5\0\0\0\0"), 14, '0 to 4'];
        yield 'Art-Net: short IpProg' => [$art, $packet("\x00\xF8", str_repeat("\0", 13)), 25, 'ArtIpProg'];
        yield 'sACN: empty' => [$acn, '', 0, 'takes at least 42'];
        yield 'sACN: wrong preamble' => [$acn, "\0\1".substr($sacn, 2), 0, 'preamble'];
        yield 'sACN: root vector 5' => [$acn, substr_replace($sacn, "\x05", 21, 1), 18, 'neither 4'];
        yield 'sACN: root length' => [$acn, "{$sacn}\0", 16, 'length says'];
        yield 'sACN: flags' => [$acn, substr_replace($sacn, "\x62", 16, 1), 16, 'flags are 6'];
        yield 'sACN: framing vector' => [$acn, substr_replace($sacn, "\x03", 43, 1), 40, 'framing vector'];
        yield 'sACN: priority 201' => [$acn, substr_replace($sacn, "\xC9", 108, 1), 108, '0 to 200'];
        yield 'sACN: universe 0' => [$acn, substr_replace($sacn, "\0\0", 113, 2), 113, '1 to 63999'];
        yield 'sACN: universe 64000' => [$acn, substr_replace($sacn, "\xFA\x00", 113, 2), 113, '1 to 63999'];
        yield 'sACN: address type' => [$acn, substr_replace($sacn, "\xA2", 118, 1), 117, '0xA1'];
        yield 'sACN: count' => [$acn, substr_replace($sacn, "\x01\xFF", 123, 2), 123, 'count says 511'];
        yield 'OSC: empty' => [$o, '', 0, 'multiple of four'];
        yield 'OSC: odd' => [$o, 'abc', 0, 'multiple of four'];
        yield 'OSC: no slash' => [$o, "lamp\0\0\0\0,\0\0\0", 0, 'begin with "/"'];
        yield 'OSC: no end' => [$o, '/lam', 0, 'no closing zero'];
        yield 'OSC: argument cut off' => [$o, substr($osc, 0, -4), 12, 'argument "f" takes 4'];
        yield 'OSC: too much' => [$o, "{$osc}\0\0\0\0", 16, 'left over'];
        yield 'OSC: unknown type' => [$o, "/a\0\0,q\0\0", 5, 'type tag "q"'];
        yield 'OSC: bundle cut off' => [$o, "#bundle\0\0\0\0\0", 12, 'A bundle'];
        yield 'OSC: bundle element too large' => [$o, "#bundle\0\0\0\0\0\0\0\0\1\0\0\0\x40", 16, 'element size 64'];
        yield 'OSC: bundles without end' => [$o, self::nested(12), 160, 'nested deeper'];
        yield 'OSC: blob too long' => [$o, "/a\0\0,b\0\0\0\0\0\x09abcd", 8, 'blob of 9 bytes'];
        yield 'OSC: int64 cut off' => [$o, "/a\0\0,h\0\0\0\0\0\1", 8, 'argument "h" takes 8'];
        yield 'OSC: array not closed' => [$o, "/a\0\0,[T\0", 7, '"[" without'];
        yield 'OSC: array not opened' => [$o, "/a\0\0,T]\0", 6, '"]" without'];
        yield 'OSC: arrays without end' => [$o, "/a\0\0,".str_repeat('[', 12)."\0\0\0", 13, 'nested deeper than 8'];
        yield 'OSC: wrong tag inside a bundle' => [$o, "#bundle\0\0\0\0\0\0\0\0\1\0\0\0\x08/a\0\0,q\0\0", 25, 'type tag "q"'];
        yield 'line: only a start code' => [Line::decode(...), "\0", 1, 'at least 2'];
        yield 'line: 513 slots' => [Line::decode(...), str_repeat("\0", 514), 513, '1 to 512'];
    }

    #[DataProvider('broken')]
    public function testIsRefusedAtTheByteWithTheReason(callable $decode, string $bytes, int $offset, string $words): void
    {
        try {
            $decode($bytes);
            self::fail('it was taken');
        } catch (Malformed $malformed) {
            self::assertSame($offset, $malformed->offset);
            self::assertStringContainsString($words, $malformed->reason);
            self::assertNotSame('', $malformed->clause);
        }
    }

    private static function nested(int $depth): string
    {
        $inner = "/a\0\0,\0\0\0";
        for ($i = 0; $i < $depth; ++$i) {
            $inner = "#bundle\0\0\0\0\0\0\0\0\1".pack('N', \strlen($inner)).$inner;
        }

        return $inner;
    }
}
