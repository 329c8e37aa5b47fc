<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

/** What MIDI triggers take and what they leave; bytes by MIDI 1.0, MIDI Show Control 1.1 and Machine Control 1.0 (from memory). */
final class TriggerMessages
{
    /**
     * @return iterable<string, array{array<string, mixed>, list<string>, list<float>}> a trigger, messages one after the
     * other, the values that it takes
     */
    public static function all(): iterable
    {
        yield 'a note begins' => [
            ['kind' => 'note-on', 'channel' => 1, 'note' => 60],
            ['903c40', '903c00', '803c40', '903d40', '913c40'],
            [64.0],
        ];
        yield 'notes from 48 to 50 begin' => [
            ['kind' => 'note-on', 'channel' => 1, 'note' => 48, 'last' => 50],
            ['902f01', '903002', '903103', '903204', '903305', '913006'],
            [2.0, 3.0, 4.0],
        ];
        yield 'a note pressed hard, but not too hard' => [
            ['kind' => 'note-on', 'note' => 60, 'least' => 64, 'most' => 100],
            ['903c3f', '903c40', '903c64', '903c65', '803c40'],
            [64.0, 100.0],
        ];
        yield 'a note pressed hard, and its end' => [
            ['kind' => 'note', 'note' => 60, 'least' => 64],
            ['903c3f', '803c40', '903c40', '903c00'],
            [0.0, 64.0, 0.0],
        ];
        yield 'data increment and decrement, with whatever they carry' => [
            ['kind' => 'buttons', 'channel' => 1],
            ['b06000', 'b0607f', 'b06100', 'b06201', 'b16001'],
            [1.0, 1.0, -1.0],
        ];
        yield 'two buttons that also say when they are let go' => [
            ['kind' => 'buttons', 'up' => 20, 'down' => 21],
            ['b0147f', 'b01400', 'bf157f', 'bf1500'],
            [1.0, -1.0],
        ];
        yield 'show control of any command' => [
            ['kind' => 'msc', 'command' => 'any', 'device' => 5],
            ['f07f05020101310031f7', 'f07f05020102f7', 'f07f06020102f7'],
            [1.0, 1.0],
        ];
        yield 'show control of a range of cues, with the number of the cue' => [
            ['kind' => 'msc', 'command' => 'go', 'cue' => '2', 'until' => '10', 'takes' => 'cue'],
            ['f07f7f02010131f7', 'f07f7f02010132f7', 'f07f7f020101392e35f7', 'f07f7f0201013130f7', 'f07f7f02010131302e31f7'],
            [2.0, 9.5, 10.0],
        ];
        yield 'show control for one group, its devices, and everyone' => [
            ['kind' => 'msc', 'command' => 'go', 'group' => 2],
            ['f07f7002010131f7', 'f07f7102010131f7', 'f07f0502010131f7', 'f07f7f02010131f7'],
            [1.0, 1.0],
        ];
        yield 'show control for one kind of device, its family, and all' => [
            ['kind' => 'msc', 'command' => 'go', 'format' => 'moving-lights'],
            ['f07f7f02020131f7', 'f07f7f02010131f7', 'f07f7f02100131f7', 'f07f7f027f0131f7'],
            [1.0, 1.0, 1.0],
        ];
        yield 'show control on one path of one list' => [
            ['kind' => 'msc', 'command' => 'go', 'list' => '2', 'path' => '7'],
            ['f07f7f020101310032f7', 'f07f7f0201013100320037f7', 'f07f7f0201013100330037f7'],
            [1.0],
        ];
        yield 'SET and FIRE' => [
            ['kind' => 'msc', 'command' => 'fire'],
            ['f07f7f02010705f7', 'f07f7f02010601000002f7'],
            [1.0],
        ];
        yield 'System Exclusive with a gap of 14 bits' => [
            ['kind' => 'sysex', 'begins' => 'F0 7D 01 {level:14}', 'takes' => 'level'],
            ['f07d014001f7', 'f07d024001f7', 'f07d0140f7'],
            [8193.0],
        ];
        yield 'System Exclusive with the lower byte first, whatever the second is' => [
            ['kind' => 'sysex', 'begins' => 'f07d ?? {level:14-low-first} f7', 'takes' => 'level'],
            ['f07d014001f7', 'f07d7f0101f7', 'f07d01400102f7'],
            [192.0, 129.0],
        ];
        yield 'System Exclusive with a number as text' => [
            ['kind' => 'sysex', 'begins' => 'F0 7D {cue:text} 00', 'takes' => 'cue'],
            ['f07d31322e3500f7', 'f07d00f7', 'f07d3132f7'],
            [12.5, 1.0],
        ];
        yield 'any note begins, on any channel' => [['kind' => 'note-on'], ['903c40', '9f0001', '8f0001'], [64.0, 1.0]];
        yield 'a note ends, in both ways' => [
            ['kind' => 'note-off', 'channel' => 1, 'note' => 60],
            ['903c40', '903c00', '803c40', '803d40'],
            [0.0, 0.0],
        ];
        yield 'channel pressure' => [['kind' => 'pressure', 'channel' => 2], ['d140', 'd041', 'a13c20'], [64.0]];
        yield 'channel pressure, any channel' => [['kind' => 'pressure'], ['d140', 'd041'], [64.0, 65.0]];
        yield 'key pressure' => [
            ['kind' => 'key-pressure', 'channel' => 1, 'note' => 60],
            ['a03c20', 'a03d21', 'a13c22'],
            [32.0],
        ];
        yield 'key pressure of any key of a channel' => [
            ['kind' => 'key-pressure', 'channel' => 1],
            ['a03c20', 'a03d21', 'a13c22'],
            [32.0, 33.0],
        ];
        yield 'a registered parameter' => [
            ['kind' => 'rpn', 'channel' => 1, 'parameter' => 0],
            ['b06500', 'b06400', 'b0060c', 'b02600'],
            [1536.0, 1536.0],
        ];
        yield 'a registered parameter is no other one' => [
            ['kind' => 'rpn', 'channel' => 1, 'parameter' => 1],
            ['b06500', 'b06400', 'b0060c'],
            [],
        ];
        yield 'a non-registered parameter, any channel' => [
            ['kind' => 'nrpn', 'parameter' => 300],
            ['b26302', 'b2622c', 'b20640'],
            [8192.0],
        ];
        yield 'a sequencer' => [['kind' => 'clock', 'event' => 'start'], ['fa', 'fb', 'fc', 'f8'], [1.0]];
        yield 'its ticks' => [['kind' => 'clock', 'event' => 'clock'], ['fa', 'f8', 'f8'], [1.0, 1.0]];
        yield 'the third beat of three' => [
            ['kind' => 'beat', 'beat' => 3, 'of' => 3],
            ['fa', ...array_fill(0, 24 * 6 + 1, 'f8')],
            [3.0, 3.0],
        ];
        yield 'every beat' => [['kind' => 'beat', 'of' => 2], ['fa', ...array_fill(0, 24 * 3 + 1, 'f8')], [1.0, 2.0, 1.0, 2.0]];
        yield '14 bits' => [
            ['kind' => 'controller', 'channel' => 1, 'controller' => 7, 'bits' => 14],
            ['b00740', 'b02701', 'b00840', 'b02801'],
            [8192.0, 8193.0],
        ];
    }
}
