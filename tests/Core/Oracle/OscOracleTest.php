<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Oracle;

use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Bundle;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Core\Wire\Osc\Packet;
use NimbleJunction\Core\Wire\Osc\TimeTag;
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
        $foo = new Message(
            '/foo',
            [Argument::int(1000), Argument::int(-1), Argument::string('hello'), Argument::float(1.234), Argument::float(5.678)],
        );
        self::assertSame($second, bin2hex($foo->encode()));
        [$read] = Packet::decode((string) hex2bin($second));
        self::assertSame('/foo', $read->address);
        self::assertSame(
            [1000, -1, 'hello'],
            array_map(static fn(Argument $argument): mixed => $argument->value, \array_slice($read->arguments, 0, 3)),
        );
        self::assertEqualsWithDelta([1.234, 5.678], [$read->arguments[3]->value, $read->arguments[4]->value], 1e-6);
    }

    public function testTsharkReadsOurMessage(): void
    {
        [$read] = Tshark::fields(
            [(new Message('/palm/lantern', [Argument::float(0.5), Argument::int(-7), Argument::string('doors')]))->encode()],
            8000,
            [
                'osc.message.header.path',
                'osc.message.header.format',
                'osc.message.float',
                'osc.message.int32',
                'osc.message.string',
                '_ws.malformed',
            ],
            ['--enable-heuristic', 'osc_udp'],
        );
        self::assertSame(['/palm/lantern', ',fis', '0.5', '-7', 'doors', ''], array_values($read));
    }

    public function testTheLibrariesReadWhatWeSendAndWeReadWhatTheySend(): void
    {
        $ours = bin2hex(
            (new Message(
                '/fern/gallery/3',
                [Argument::int(2147483647), Argument::float(0.25), Argument::string('näch')],
            ))->encode(),
        );
        $packet = [
            'address' => '/fern/gallery/3',
            'args' => [
                ['type' => 'i', 'value' => 2147483647],
                ['type' => 'f', 'value' => 0.25],
                ['type' => 's', 'value' => 'näch'],
            ],
        ];
        [$osc, $oscMade, $min, $minMade] = NodeOracle::ask([
            ['ask' => 'osc decode', 'bytes' => $ours],
            ['ask' => 'osc encode', 'packet' => $packet],
            ['ask' => 'osc-min decode', 'bytes' => $ours],
            [
                'ask' => 'osc-min encode',
                'packet' => [
                    'address' => '/fern/gallery/3',
                    'args' => [
                        ['type' => 'integer', 'value' => 2147483647],
                        ['type' => 'float', 'value' => 0.25],
                        ['type' => 'string', 'value' => 'näch'],
                    ],
                ],
            ],
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

    public function testTsharkReadsEveryTypeOfOurs(): void
    {
        [$read] = Tshark::fields([self::everything()->encode()], 8000, [
            'osc.message.header.format',
            'osc.message.int64',
            'osc.message.double',
            'osc.message.symbol',
            'osc.message.char',
            'osc.message.rgba.green',
            'osc.message.midi.note',
            'osc.message.blob.data',
            'osc.message.timetag',
            '_ws.malformed',
        ], ['--enable-heuristic', 'osc_udp']);
        self::assertSame(',ifsbhtdScrmTFNI', $read['osc.message.header.format']);
        self::assertSame(
            ['-9007199254740993', '0.1', 'symbol'],
            [$read['osc.message.int64'], $read['osc.message.double'], $read['osc.message.symbol']],
        );
        self::assertSame(['2', '60'], [$read['osc.message.rgba.green'], $read['osc.message.midi.note']]);
        self::assertStringStartsWith('010203', str_replace(':', '', $read['osc.message.blob.data']), 'with its padding');
        self::assertStringContainsString('2023', $read['osc.message.timetag']);
        self::assertSame('', $read['_ws.malformed']);
    }

    /**
     * Where the library knows a type, it reads ours and we read its own. Its colours are left out: it looks for them at
     * the wrong bytes.
     */
    public function testTheLibraryOscCrossesEveryTypeItKnows(): void
    {
        $ours = bin2hex(self::everything()->encode());
        [$read] = NodeOracle::ask([['ask' => 'osc decode', 'bytes' => $ours]]);
        $args = array_column($read['packet']['args'], 'value', 'type');
        self::assertSame(
            ['i', 'f', 's', 'b', 'h', 't', 'd', 'S', 'c', 'r', 'm', 'T', 'F', 'N', 'I'],
            array_column($read['packet']['args'], 'type'),
        );
        self::assertSame(
            [-7, 0.5, 'doors', 0.1, 'symbol', 'A', true, false],
            [$args['i'], $args['f'], $args['s'], $args['d'], $args['S'], $args['c'], $args['T'], $args['F']],
        );
        [$made] = NodeOracle::ask([['ask' => 'osc encode', 'packet' => ['address' => '/all', 'args' => [
            ['type' => 'd', 'value' => 98.96], ['type' => 'T'], ['type' => 'F'], ['type' => 'N'], ['type' => 'I'], [
                'type' => 't',
                'value' => ['raw' => [3908988800, 2147483648]],
            ], ['type' => 'c', 'value' => 'A'], ['type' => 's', 'value' => ''],
        ]]]]);
        $message = Message::decode((string) hex2bin($made['bytes']));
        self::assertSame(',dTFNItcs', $message->tags());
        self::assertSame([98.96, true, false, null, null], array_column(\array_slice($message->arguments, 0, 5), 'value'));
        self::assertEquals(new TimeTag(3908988800, 2147483648), $message->arguments[5]->value);
        self::assertSame($made['bytes'], bin2hex($message->encode()), 'written again it is the same');
    }

    public function testOscMinCrossesArraysAndBundles(): void
    {
        $bundle = new Bundle(new TimeTag(3908988800, 0), [
            new Message(
                '/one',
                [
                    Argument::tagged('[', [Argument::int(1), Argument::tagged('[', [Argument::string('x')])]),
                    Argument::tagged('T', true),
                ],
            ),
            new Bundle(TimeTag::immediately(), [new Message('/two', [Argument::tagged('b', 'abcde')])]),
        ]);
        [$read, $made] = NodeOracle::ask([
            ['ask' => 'osc-min decode', 'bytes' => bin2hex($bundle->encode())],
            [
                'ask' => 'osc-min encode',
                'packet' => [
                    'oscType' => 'bundle',
                    'timetag' => [3908988800, 0],
                    'elements' => [
                        [
                            'address' => '/one',
                            'args' => [
                                [
                                    'type' => 'array',
                                    'value' => [
                                        ['type' => 'integer', 'value' => 1],
                                        ['type' => 'array', 'value' => [['type' => 'string', 'value' => 'x']]],
                                    ],
                                ],
                                ['type' => 'true', 'value' => true],
                            ],
                        ],
                        ['oscType' => 'bundle', 'timetag' => [0, 1], 'elements' => [['address' => '/two', 'args' => []]]],
                    ],
                ],
            ],
        ]);
        self::assertSame('bundle', $read['packet']['oscType']);
        self::assertSame(['array', 'true'], array_column($read['packet']['elements'][0]['args'], 'type'));
        self::assertSame('/two', $read['packet']['elements'][1]['elements'][0]['address']);
        $ours = Packet::parse((string) hex2bin($made['bytes']));
        self::assertInstanceOf(Bundle::class, $ours);
        self::assertSame('/one [1 ["x"]] true', $ours->messages()[0]->spelled());
        self::assertSame($made['bytes'], bin2hex($ours->encode()));
    }

    private static function everything(): Message
    {
        return new Message('/all', [
            Argument::int(-7),
            Argument::float(0.5),
            Argument::string('doors'),
            Argument::tagged('b', "\1\2\3"),
            Argument::tagged('h', -9007199254740993),
            Argument::tagged(
                't',
                TimeTag::atUnixNanos(1_700_000_000_500_000_000),
            ),
            Argument::tagged('d', 0.1),
            Argument::tagged('S', 'symbol'),
            Argument::tagged('c', 65),
            Argument::tagged('r', "\1\2\3\0"),
            Argument::tagged('m', "\0\x90\x3c\x64"),
            Argument::tagged('T', true), Argument::tagged('F', false), Argument::tagged('N', null), Argument::tagged('I', null),
        ]);
    }
}
