<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Wire;

use NimbleJunction\Core\Wire\ArtNet\Command;
use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\NodePort;
use NimbleJunction\Core\Wire\ArtNet\Nzs;
use NimbleJunction\Core\Wire\ArtNet\PollReply;
use NimbleJunction\Core\Wire\ArtNet\TimeCode;
use NimbleJunction\Core\Wire\Formats;
use NimbleJunction\Core\Wire\Layout\Part;
use NimbleJunction\Core\Wire\Layout\Unwritable;
use NimbleJunction\Core\Wire\Sacn\Discovery;
use NimbleJunction\Tests\Support\Fuzz;
use NimbleJunction\Tests\Support\Samples;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Every format by the names of its fields: there and back again, and in the face of rubbish. */
final class NotationTest extends TestCase
{
    /** @return iterable<string, array{string, string}> format, bytes */
    public static function samples(): iterable
    {
        foreach (Samples::all() as $format => $packets) {
            foreach ($packets as $i => $bytes) {
                yield "{$format} {$i}" => [$format, $bytes];
            }
        }
    }

    #[DataProvider('samples')]
    public function testThereAndBackAgain(string $format, string $bytes): void
    {
        $notation = Formats::notation($format);
        self::assertNotNull($notation);
        $fields = $notation->read($bytes)->plain();
        $json = json_encode($fields, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
        $again = json_decode($json, true, flags: JSON_THROW_ON_ERROR);
        self::assertSame(bin2hex($bytes), bin2hex($notation->write($again)), 'encode(decode(b)) = b');
        self::assertSame($fields, $notation->read($notation->write($again))->plain(), 'decode(encode(x)) = x');
        if ($format !== 'dmx') {
            self::assertSame(
                $format,
                Formats::guess($bytes),
                'and it is known by how it begins; a line with another start code looks like MIDI',
            );
        }
    }

    #[DataProvider('samples')]
    public function testEveryPieceLiesWithinThePacket(string $format, string $bytes): void
    {
        $this->lies(Formats::notation($format)?->read($bytes) ?? self::fail(), 0, \strlen($bytes), $format);
    }

    /** @return iterable<string, array{string}> */
    public static function formats(): iterable
    {
        foreach (array_keys(Formats::NAMES) as $format) {
            yield $format => [$format];
        }
    }

    /**
     * The bounded version of bin/fuzz: never a throw, never a warning, memory flat, every refusal with an offset and a
     * reason.
     */
    #[DataProvider('formats')]
    public function testNoMutatedPacketIsAnythingButReadOrRefused(string $format): void
    {
        $fuzz = (new Fuzz($format, 20261125))->run(4_000, 20.0);
        self::assertSame([], $fuzz->faults);
        self::assertGreaterThan(500, $fuzz->packets);
        self::assertGreaterThan(50, $fuzz->taken);
        self::assertLessThan(512 * 1024, $fuzz->grownBytes());
        if ($format !== 'midi') {
            self::assertGreaterThan(50, $fuzz->refused, 'a MIDI stream refuses nothing as a whole');
        }
    }

    /** @return iterable<string, array{string, array<mixed>, string}> format, fields, words */
    public static function unwritable(): iterable
    {
        yield 'unknown field' => ['artnet', ['OpCode' => 0x5000, 'Colour' => 1], 'Colour: this field is not known here'];
        yield 'unknown operation' => ['artnet', ['OpCode' => 1], 'use one of 8192 (OpPoll)'];
        yield 'slot too high' => [
            'artnet',
            ['OpCode' => 0x5000, 'Length' => 2, 'Data' => [0, 256]],
            'Data: it is [0,256]; use a list of whole numbers from 0 to 255',
        ];
        yield 'priority 201' => [
            'sacn',
            ['CID' => str_repeat('00', 16), 'Priority' => 201, 'Property Values' => [0]],
            'Priority: it is 201; use a whole number from 0 to 200',
        ];
        yield 'a universe too high for two bytes' => [
            'sacn',
            [
                'Root Layer Vector' => 8,
                'Framing Layer Vector' => 2,
                'CID' => str_repeat('00', 16),
                'List of Universes' => [1, 65536],
            ],
            'List of Universes: it is [1,65536]; use a list of whole numbers from 0 to 65535',
        ];
        yield 'no list' => [
            'sacn',
            ['Root Layer Vector' => 8, 'Framing Layer Vector' => 2, 'CID' => str_repeat('00', 16), 'List of Universes' => 7],
            'List of Universes: it is 7; use a list',
        ];
        yield 'universe 0' => [
            'sacn',
            ['CID' => str_repeat('00', 16), 'Universe' => 0, 'Property Values' => [0]],
            'allowed is 1 to 63999',
        ];
        yield 'no slash' => ['osc', ['OSC Address Pattern' => 'lamp'], 'it must begin with "/"'];
        yield 'wrong type' => [
            'osc',
            ['OSC Address Pattern' => '/a', 'OSC Type Tag String' => ',i', 'OSC Arguments' => ['x']],
            'OSC Arguments/0: it is "x"; use a whole number from -2147483648',
        ];
        yield 'an argument too many' => [
            'osc',
            ['OSC Address Pattern' => '/a', 'OSC Type Tag String' => ',i', 'OSC Arguments' => [1, 2]],
            'names no type for it',
        ];
        yield 'channel 17' => [
            'midi',
            ['messages' => [['message' => 'Note On', 'channel' => 17, 'note' => 1, 'velocity' => 1]]],
            'messages/0/channel: it is 17; use a whole number from 1 to 16',
        ];
        yield 'list without cue' => [
            'midi',
            [
                'messages' => [
                    [
                        'message' => 'MIDI Show Control',
                        'device_ID' => 1,
                        'command_format' => 1,
                        'command' => 'GO',
                        'Q_list' => '1',
                    ],
                ],
            ],
            'Q_number',
        ];
        yield 'a broken command' => [
            'rtpmidi',
            ['RTP' => [], 'MIDI command section' => ['MIDI list' => [['command' => '90']]]],
            'cut off',
        ];
        yield 'unknown letters' => ['applemidi', ['command' => 'XX'], 'use one of IN, OK'];
        yield 'no slots' => ['dmx', ['slots' => []], 'use a list of 1 to 512 levels'];
        yield 'no End of Track' => ['smf', ['MTrk' => [[['MIDI event' => '3c64']]]], 'with its status byte'];
        yield 'no port' => [
            'pcap',
            ['packets' => [['source' => '127.0.0.1', 'destination' => '127.0.0.1:1', 'data' => '']]],
            'packets/0/source',
        ];
    }

    /** @return iterable<string, array{string, string, string, string}> format, bytes, field, what stands beside it */
    public static function spelled(): iterable
    {
        $cid = (string) hex2bin('6ba7b8109dad11d180b400c04fd430c8');
        $discovery = (new Discovery($cid, 'Guest desk', [3, 4, 4352], 1, 2))->encode();
        yield 'a CID is a UUID (the name space of DNS, RFC 4122, appendix C)' => [
            'sacn',
            $discovery,
            'CID',
            '6ba7b810-9dad-11d1-80b4-00c04fd430c8',
        ];
        yield 'pages of universes' => ['sacn', $discovery, '', '"Guest desk" sends 3 universes on page 2 of 3'];
        yield 'the highest port-address (Art-Net 4, from memory)' => [
            'artnet',
            (new Dmx(32767, 'ab'))->encode(),
            '',
            'port-address 32767 (127:15:15)',
        ];
        yield 'slots that are no levels' => [
            'artnet',
            (new Nzs(0x1234, 0x17, 'ab'))->encode(),
            '',
            'port-address 4660 (18:3:4), start code 23',
        ];
        $node = new PollReply(
            '127.0.0.14',
            'Dimmers',
            'Dimmers',
            [NodePort::output(4), NodePort::output(5), NodePort::input(6)],
            18,
            3,
            mac: "\x02\0\x5E\x10\0\1",
            uid: "\x7F\xF0\0\0\0\1",
        );
        yield 'what a node takes and feeds' => [
            'artnet',
            $node->encode(),
            '',
            '"Dimmers" at 127.0.0.14, takes port-address 4660 (18:3:4), 4661 (18:3:5), feeds port-address 4662 (18:3:6)',
        ];
        yield 'its MAC' => ['artnet', $node->encode(), 'MAC', '02:00:5e:10:00:01'];
        yield 'its RDM responder' => ['artnet', $node->encode(), 'DefaultRespUID', '7ff0:00000001'];
        yield 'a node without ports' => [
            'artnet',
            (new PollReply('127.0.0.14', 'Desk', 'Desk'))->encode(),
            '',
            '"Desk" at 127.0.0.14',
        ];
        yield 'time code' => ['artnet', (new TimeCode(1, 2, 3, 4, 1))->encode(), '', '01:02:03:04, EBU, 25 frames a second'];
        yield 'dropped frames' => [
            'artnet',
            (new TimeCode(10, 59, 59, 29, 2))->encode(),
            '',
            '10:59:59;29, drop frame, 29.97 frames a second',
        ];
        yield 'a command' => ['artnet', (new Command('SwoutText=Playback&'))->encode(), '', '"SwoutText=Playback&"'];
    }

    /** The numbers that people use stand beside those of the standard. */
    #[DataProvider('spelled')]
    public function testWhatPeopleSayStandsBesideIt(string $format, string $bytes, string $field, string $words): void
    {
        $packet = Formats::notation($format)?->read($bytes) ?? self::fail();
        $found = $field === '' ? $packet : array_column($packet->parts ?? [], null, 'name')[$field];
        self::assertSame($words, $found->meaning);
    }

    public function testAListIsShownAsAList(): void
    {
        $notation = Formats::notation('sacn') ?? self::fail();
        $bytes = (new Discovery(str_repeat('C', 16), 'Guest desk', [3, 17, 4711]))->encode();
        $fields = $notation->read($bytes)->plain();
        self::assertIsArray($fields);
        self::assertSame([3, 17, 4711], $fields['List of Universes']);
        $list = array_column($notation->read($bytes)->parts ?? [], null, 'name')['List of Universes'];
        self::assertSame(
            [[120, 2], [122, 2], [124, 2]],
            array_map(static fn(Part $one): array => [$one->offset, $one->length], $list->parts ?? []),
            'each with its own two bytes',
        );
        $inHex = [...$fields, 'List of Universes' => '000300111267'];
        self::assertSame(bin2hex($bytes), bin2hex($notation->write($inHex)), 'as it was written once');
    }

    /** @param array<mixed> $fields */
    #[DataProvider('unwritable')]
    public function testWhatCannotBeWrittenIsSaidWithItsField(string $format, array $fields, string $words): void
    {
        try {
            Formats::notation($format)?->write($fields);
            self::fail('it was written');
        } catch (Unwritable $unwritable) {
            self::assertStringContainsString($words, $unwritable->getMessage());
        }
    }

    private function lies(Part $part, int $from, int $to, string $path): void
    {
        $path .= "/{$part->name}";
        self::assertGreaterThanOrEqual($from, $part->offset, $path);
        self::assertLessThanOrEqual($to, $part->offset + $part->length, $path);
        foreach ($part->parts ?? [] as $inside) {
            $this->lies($inside, $part->offset, $part->offset + $part->length, $path);
        }
    }
}
