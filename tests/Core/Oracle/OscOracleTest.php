<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Oracle;

use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Core\Wire\Osc\Packet;
use NimbleJunction\Tests\Support\NodeOracle;
use NimbleJunction\Tests\Support\Tshark;
use PHPUnit\Framework\TestCase;

/** Our OSC against the specification's printed bytes, tshark, and the npm libraries osc and osc-min. */
final class OscOracleTest extends TestCase
{
    /** OSC 1.0 specification, "OSC Message Examples": both messages, byte by byte. */
    public function testTheSpecificationsExamples(): void
    {
        $first = '2f6f7363696c6c61746f722f342f6672657175656e6379002c66000043dc0000';
        $second = '2f666f6f000000002c696973666600 00000003e8ffffffff68656c6c6f0000003f9df3b640b5b22d';
        $second = str_replace(' ', '', $second);
        self::assertSame($first, bin2hex((new Message('/oscillator/4/frequency', [Argument::float(440.0)]))->encode()));
        $foo = new Message('/foo', [Argument::int(1000), Argument::int(-1), Argument::string('hello'), Argument::float(1.234), Argument::float(5.678)]);
        self::assertSame($second, bin2hex($foo->encode()));
        [$read] = Packet::decode((string) hex2bin($second));
        self::assertSame('/foo', $read->address);
        self::assertSame([1000, -1, 'hello'], array_map(static fn(Argument $argument): mixed => $argument->value, \array_slice($read->arguments, 0, 3)));
        self::assertEqualsWithDelta([1.234, 5.678], [$read->arguments[3]->value, $read->arguments[4]->value], 1e-6);
    }

    public function testTsharkReadsOurMessage(): void
    {
        [$read] = Tshark::fields(
            [(new Message('/palm/lantern', [Argument::float(0.5), Argument::int(-7), Argument::string('doors')]))->encode()],
            8000,
            ['osc.message.header.path', 'osc.message.header.format', 'osc.message.float', 'osc.message.int32', 'osc.message.string', '_ws.malformed'],
            ['--enable-heuristic', 'osc_udp'],
        );
        self::assertSame(['/palm/lantern', ',fis', '0.5', '-7', 'doors', ''], array_values($read));
    }

    public function testTheLibrariesReadWhatWeSendAndWeReadWhatTheySend(): void
    {
        $ours = bin2hex((new Message('/fern/gallery/3', [Argument::int(2147483647), Argument::float(0.25), Argument::string('näch')]))->encode());
        $packet = ['address' => '/fern/gallery/3', 'args' => [['type' => 'i', 'value' => 2147483647], ['type' => 'f', 'value' => 0.25], ['type' => 's', 'value' => 'näch']]];
        [$osc, $oscMade, $min, $minMade] = NodeOracle::ask([
            ['ask' => 'osc decode', 'bytes' => $ours],
            ['ask' => 'osc encode', 'packet' => $packet],
            ['ask' => 'osc-min decode', 'bytes' => $ours],
            ['ask' => 'osc-min encode', 'packet' => ['address' => '/fern/gallery/3', 'args' => [['type' => 'integer', 'value' => 2147483647], ['type' => 'float', 'value' => 0.25], ['type' => 'string', 'value' => 'näch']]]],
        ]);
        self::assertSame($packet, $osc['packet']);
        self::assertSame($ours, $oscMade['bytes']);
        self::assertSame('/fern/gallery/3', $min['packet']['address']);
        self::assertSame([2147483647, 0.25, 'näch'], array_column($min['packet']['args'], 'value'));
        self::assertSame($ours, $minMade['bytes']);
    }

    public function testWeReadABundleOfTheLibrarysMakingInItsOrder(): void
    {
        [$made] = NodeOracle::ask([['ask' => 'osc encode', 'packet' => ['timeTag' => ['raw' => [0, 1]], 'packets' => [
            ['address' => '/one', 'args' => [['type' => 'i', 'value' => 1]]],
            ['timeTag' => ['raw' => [0, 1]], 'packets' => [['address' => '/two', 'args' => []]]],
        ]]]]);
        $messages = Packet::decode((string) hex2bin($made['bytes']));
        self::assertSame(['/one', '/two'], array_map(static fn(Message $message): string => $message->address, $messages));
    }
}
