<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Route;

use NimbleJunction\Core\Wire\Osc\Message as Osc;
use NimbleJunction\Tests\Support\RoutesOnARig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Messages of one protocol become messages of another, in any pair. */
final class MessagePairsTest extends TestCase
{
    use RoutesOnARig;

    /**
     * @return iterable<string, array{array<string, mixed>, string, string, string}> a route, the port and bytes that
     * arrive, the bytes that leave
     */
    public static function pairs(): iterable
    {
        $send = static fn(string $port, array $message): array => [['kind' => 'send', 'port' => $port, 'message' => $message]];
        yield 'OSC to MIDI' => [
            [
                'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/fader'],
                'steps' => [['kind' => 'scale', 'from' => [0, 1], 'to' => [0, 127]]],
                'do' => $send('lectern', ['kind' => 'controller', 'channel' => 3, 'controller' => 7]),
            ],
            'tablet',
            self::osc('/fader', 0.5),
            'b20740',
        ];
        yield 'OSC without a number to show control' => [
            [
                'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/go'],
                'do' => $send(
                    'lectern',
                    ['kind' => 'msc', 'device' => 20, 'format' => 'lighting', 'command' => 'go', 'cue' => '1', 'list' => '1'],
                ),
            ],
            'tablet',
            self::osc('/go'),
            'f07f14020101310031f7',
        ];
        yield 'a note to OSC, with several arguments' => [
            [
                'when' => ['kind' => 'note', 'port' => 'lectern', 'channel' => 1, 'note' => 49],
                'do' => $send(
                    'tablet',
                    [
                        'kind' => 'osc',
                        'address' => '/lamp/{note}',
                        'arguments' => [
                            ['kind' => 'int'],
                            ['kind' => 'text', 'text' => 'velocity {velocity}'],
                            ['kind' => 'true'],
                            ['kind' => 'float', 'value' => 0.5],
                        ],
                    ],
                ),
            ],
            'lectern',
            '903164',
            bin2hex(
                (new Osc(
                    '/lamp/49',
                    [
                        \NimbleJunction\Core\Wire\Osc\Argument::int(100),
                        \NimbleJunction\Core\Wire\Osc\Argument::string('velocity 100'),
                        \NimbleJunction\Core\Wire\Osc\Argument::tagged('T', true),
                        \NimbleJunction\Core\Wire\Osc\Argument::float(0.5),
                    ],
                ))->encode(),
            ),
        ];
        yield 'show control to OSC, with its cue' => [
            [
                'when' => ['kind' => 'msc', 'port' => 'lectern', 'command' => 'go', 'device' => 20],
                'do' => $send('tablet', ['kind' => 'osc', 'address' => '/cue/{cue}/start']),
            ],
            'lectern',
            'f07f14020101322e35f7',
            self::osc('/cue/2.5/start'),
        ];
        yield 'show control for everyone' => [
            [
                'when' => ['kind' => 'msc', 'port' => 'lectern', 'command' => 'go', 'device' => 20, 'cue' => '7'],
                'do' => $send('lectern', ['kind' => 'mmc', 'command' => 'play']),
            ],
            'lectern',
            'f07f7f02010137f7',
            'f07f7f0602f7',
        ];
        yield 'any note on a channel to a program' => [
            [
                'when' => ['kind' => 'note', 'port' => 'lectern', 'channel' => 2],
                'if' => [['kind' => 'least', 'value' => 1]],
                'do' => $send('lectern', ['kind' => 'program', 'channel' => 1, 'program' => 5]),
            ],
            'lectern',
            '914020',
            'c005',
        ];
        yield 'a program to a bend' => [
            [
                'when' => ['kind' => 'program', 'port' => 'lectern', 'program' => 3],
                'do' => $send('lectern', ['kind' => 'bend', 'channel' => 1, 'bend' => 8192]),
            ],
            'lectern',
            'c003',
            'e00040',
        ];
        yield 'machine control to System Exclusive' => [
            [
                'when' => ['kind' => 'mmc', 'port' => 'lectern', 'command' => 'stop'],
                'do' => $send('lectern', ['kind' => 'sysex', 'data' => 'F0 41 {value} F7']),
            ],
            'lectern',
            'f07f7f0601f7',
            'f04101f7',
        ];
        yield 'System Exclusive to a note' => [
            [
                'when' => ['kind' => 'sysex', 'port' => 'lectern', 'begins' => 'F0 41'],
                'do' => $send('lectern', ['kind' => 'note', 'channel' => 1, 'note' => 60, 'velocity' => 1]),
            ],
            'lectern',
            'f0410203f7',
            '903c01',
        ];
        yield 'a bend to 14 bits' => [
            [
                'when' => ['kind' => 'bend', 'port' => 'lectern'],
                'do' => $send('lectern', ['kind' => 'controller', 'channel' => 1, 'controller' => 1, 'bits' => 14]),
            ],
            'lectern',
            'e00140',
            'b00140b02101',
        ];
        // Common practice, no source: 65 is one step down where bit 6 is the sign, 127 where it is a two's complement.
        yield 'an endless encoder' => [
            [
                'when' => [
                    'kind' => 'relative',
                    'port' => 'lectern',
                    'channel' => 1,
                    'controller' => 10,
                    'encoding' => 'sign-bit',
                ],
                'do' => $send('tablet', ['kind' => 'osc', 'address' => '/by', 'arguments' => [['kind' => 'int']]]),
            ],
            'lectern',
            'b00a43',
            bin2hex((new Osc('/by', [\NimbleJunction\Core\Wire\Osc\Argument::int(-3)]))->encode()),
        ];
        yield 'a game of two triggers' => [
            [
                'when' => [
                    ['kind' => 'osc', 'port' => 'tablet', 'address' => '/a'],
                    ['kind' => 'osc', 'port' => 'tablet', 'address' => '/b', 'is' => 'go'],
                ],
                'do' => $send('lectern', ['kind' => 'program', 'channel' => 1, 'program' => 9]),
            ],
            'tablet',
            self::osc('/b', 'go'),
            'c009',
        ];
        yield 'what fits the value' => [
            [
                'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/a'],
                'steps' => [['kind' => 'snap', 'size' => 0.5], ['kind' => 'limit', 'low' => 0, 'high' => 1]],
                'do' => [
                    [
                        'kind' => 'choose',
                        'options' => [
                            [
                                'kind' => 'within',
                                'low' => 0,
                                'high' => 0.4,
                                'do' => $send('lectern', ['kind' => 'program', 'channel' => 1, 'program' => 1]),
                            ],
                            [
                                'kind' => 'within',
                                'low' => 0.4,
                                'high' => 0.6,
                                'do' => $send('lectern', ['kind' => 'program', 'channel' => 1, 'program' => 2]),
                            ],
                        ],
                    ],
                ],
            ],
            'tablet',
            self::osc('/a', 0.58),
            'c002',
        ];
    }

    /** @param array<string, mixed> $route */
    #[DataProvider('pairs')]
    public function testAMessageBecomesAnother(array $route, string $port, string $in, string $out): void
    {
        $rig = $this->rig([['id' => 'r', 'name' => 'R'] + $route]);
        self::assertSame([$out], $this->left($rig, $port, $in), implode("\n", $rig->hops('message')));
        self::assertSame(1, $rig->junction->points()->read($this->point('route:r/fired')));
    }
}
