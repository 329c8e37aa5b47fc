<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Wire;

use NimbleJunction\Core\Wire\Formats;
use NimbleJunction\Core\Wire\Layout\Part;
use NimbleJunction\Core\Wire\Layout\Unwritable;
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
            self::assertSame($format, Formats::guess($bytes), 'and it is known by how it begins; a line with another start code looks like MIDI');
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

    /** The bounded version of bin/fuzz: never a throw, never a warning, memory flat, every refusal with an offset and a reason. */
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
        yield 'slot too high' => ['artnet', ['OpCode' => 0x5000, 'Length' => 2, 'Data' => [0, 256]], 'Data: it is [0,256]; use a list of whole numbers from 0 to 255'];
        yield 'priority 201' => ['sacn', ['CID' => str_repeat('00', 16), 'Priority' => 201, 'Property Values' => [0]], 'Priority: it is 201; use a whole number from 0 to 200'];
        yield 'universe 0' => ['sacn', ['CID' => str_repeat('00', 16), 'Universe' => 0, 'Property Values' => [0]], 'allowed is 1 to 63999'];
        yield 'no slash' => ['osc', ['OSC Address Pattern' => 'lamp'], 'it must begin with "/"'];
        yield 'wrong type' => ['osc', ['OSC Address Pattern' => '/a', 'OSC Type Tag String' => ',i', 'OSC Arguments' => ['x']], 'OSC Arguments/0: it is "x"; use a whole number from -2147483648'];
        yield 'an argument too many' => ['osc', ['OSC Address Pattern' => '/a', 'OSC Type Tag String' => ',i', 'OSC Arguments' => [1, 2]], 'names no type for it'];
        yield 'channel 17' => ['midi', ['messages' => [['message' => 'Note On', 'channel' => 17, 'note' => 1, 'velocity' => 1]]], 'messages/0/channel: it is 17; use a whole number from 1 to 16'];
        yield 'list without cue' => ['midi', ['messages' => [['message' => 'MIDI Show Control', 'device_ID' => 1, 'command_format' => 1, 'command' => 'GO', 'Q_list' => '1']]], 'Q_number'];
        yield 'a broken command' => ['rtpmidi', ['RTP' => [], 'MIDI command section' => ['MIDI list' => [['command' => '90']]]], 'cut off'];
        yield 'unknown letters' => ['applemidi', ['command' => 'XX'], 'use one of IN, OK'];
        yield 'no slots' => ['dmx', ['slots' => []], 'use a list of 1 to 512 levels'];
        yield 'no End of Track' => ['smf', ['MTrk' => [[['MIDI event' => '3c64']]]], 'with its status byte'];
        yield 'no port' => ['pcap', ['packets' => [['source' => '127.0.0.1', 'destination' => '127.0.0.1:1', 'data' => '']]], 'packets/0/source'];
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
