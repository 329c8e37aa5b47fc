<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Route;

use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * What people build of routes, from the bytes that arrive to the bytes that leave. Bytes by MIDI 1.0, MIDI Show Control 1.1,
 * MIDI Machine Control 1.0 and OSC 1.0 (from memory).
 */
final class EndToEndTest extends TestCase
{
    public function testWhatTheOtherEndSaysToWhatItWasToldStandsBesideIt(): void
    {
        $rig = self::rig([['id' => 'r', 'name' => 'R', 'when' => ['kind' => 'note-on', 'port' => 'lectern', 'note' => 49], 'do' => [
            ['kind' => 'send', 'port' => 'tablet', 'message' => ['kind' => 'osc', 'address' => '/cue/1/start']],
        ]]]);
        $press = static fn() => $rig->arrive('midi cable lectern', (string) hex2bin('903164'), 'cable lectern');
        $answer = static fn(): string => implode(
            "\n",
            array_filter($rig->allHops(), static fn(string $words): bool => str_contains($words, 'answers')),
        );
        $press();
        $rig->now += 0.012;
        $rig->osc('/cue/running', 1.0);
        $rig->now += 0.01;
        $rig->osc('/cue/running', 2.0);
        self::assertSame('Tablet answers /cue/running 1, 12 ms later', $answer(), 'the first, and no other');
        $rig->now += 5.0;
        $press();
        $rig->now += 0.4;
        $rig->osc('/cue/running', 3.0);
        self::assertStringNotContainsString('3,', $answer(), 'too late to be one');
    }

    /**
     * @return iterable<string, array{array<string, mixed>, string, string, list<string>}> a route, the port and bytes that arrive, what
     * leaves or becomes so
     */
    public static function evenings(): iterable
    {
        $osc = static fn(string $address, string $tags = '', string $data = ''): string => bin2hex(
            $address.str_repeat("\0", 4 - \strlen($address) % 4).",{$tags}".str_repeat("\0", 4 - (\strlen($tags) + 1) % 4).$data,
        );
        yield 'a note of the slides is a cue at the desk' => [
            ['when' => ['kind' => 'note-on', 'port' => 'lectern', 'note' => 49], 'do' => [['kind' => 'send', 'port' => 'tablet', 'message' => ['kind' => 'osc', 'address' => '/cue/{note}/start']]]],
            'lectern', '903164', ['tablet '.$osc('/cue/49/start')],
        ];
        yield 'show control of the desk opens the house' => [
            ['when' => ['kind' => 'msc', 'port' => 'lectern', 'command' => 'go', 'cue' => '2.5'], 'do' => [['kind' => 'set', 'point' => 'value:house', 'value' => 1]]],
            'lectern', 'f07f7f020101322e35f7', ['value:house 1'],
        ];
        yield 'a stick in 16 bits' => [
            ['when' => ['kind' => 'message', 'port' => 'stick', 'address' => '/axis/1'], 'steps' => [['kind' => 'scale', 'from' => [-1, 1], 'to' => [0, 65535]], ['kind' => 'scale', 'from' => [0, 65535], 'to' => [-270, 270]]], 'do' => [['kind' => 'set', 'point' => 'fixture:head/pan']]],
            'stick', bin2hex('{"axes":{"0":0.5}}'), ['slot:palm/21 184', 'slot:palm/22 227'],
        ];
        yield 'a non-registered parameter' => [
            ['when' => ['kind' => 'nrpn', 'port' => 'lectern', 'parameter' => 300], 'steps' => [['kind' => 'scale', 'from' => [0, 16383], 'to' => [-270, 270]]], 'do' => [['kind' => 'set', 'point' => 'fixture:head/pan']]],
            'lectern', 'b06302 b0622c b0067f b0267f', ['slot:palm/21 255', 'slot:palm/22 255'],
        ];
        yield 'a part of an address is a note' => [
            ['when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/pad/{n}/hit', 'takes' => 'message'], 'do' => [['kind' => 'send', 'port' => 'lectern', 'message' => ['kind' => 'note', 'channel' => 10, 'note' => '{n}', 'velocity' => 100]]]],
            'tablet', $osc('/pad/36/hit'), ['lectern 992464'],
        ];
        yield 'notes are played on another channel as they came' => [
            ['when' => ['kind' => 'note', 'port' => 'lectern'], 'do' => [['kind' => 'send', 'port' => 'lectern', 'message' => ['kind' => 'note', 'channel' => 2, 'note' => '{note}', 'velocity' => '{velocity}']]]],
            'lectern', '904764', ['lectern 914764'],
        ];
        yield 'where a player is sent to stands in a text' => [
            ['when' => ['kind' => 'mmc', 'port' => 'lectern', 'command' => 'locate'], 'do' => [['kind' => 'send', 'port' => 'tablet', 'message' => ['kind' => 'osc', 'address' => '/at', 'arguments' => [['kind' => 'text', 'text' => '{target}']]]]]],
            'lectern', 'f07f7f0644060121020304'.'00f7', ['tablet '.$osc('/at', 's', "01:02:03:04.00\0\0")],
        ];
        yield 'machine control starts a player' => [
            ['when' => ['kind' => 'mmc', 'port' => 'lectern', 'command' => 'play'], 'do' => [['kind' => 'send', 'port' => 'tablet', 'message' => ['kind' => 'osc', 'address' => '/player/play', 'arguments' => [['kind' => 'int', 'value' => 1]]]]]],
            'lectern', 'f07f7f0602f7', ['tablet '.$osc('/player/play', 'i', "\0\0\0\1")],
        ];
        yield 'a spare slot is a layer of a media server' => [
            ['when' => ['kind' => 'slot', 'point' => 'arriving:palm/100'], 'steps' => [['kind' => 'scale', 'from' => [0, 255], 'to' => [0, 1]]], 'do' => [['kind' => 'send', 'port' => 'tablet', 'message' => ['kind' => 'osc', 'address' => '/layer/1/opacity', 'arguments' => [['kind' => 'float']]]]]],
            'sacn', '100 255', ['tablet '.$osc('/layer/1/opacity', 'f', "\x3F\x80\0\0")],
        ];
        yield "System Exclusive with the desk's own numbers" => [
            ['when' => ['kind' => 'sysex', 'port' => 'lectern', 'begins' => 'F0 7D {page} {level:14} F7', 'takes' => 'level'], 'do' => [['kind' => 'send', 'port' => 'lectern', 'message' => ['kind' => 'sysex', 'data' => 'F0 7D 7F {page} {value:14-low-first} F7']]]],
            'lectern', 'f07d054001f7', ['lectern f07d7f050140f7'],
        ];
        yield 'a fader of 14 bits in all its bits' => [
            ['when' => ['kind' => 'controller', 'port' => 'lectern', 'channel' => 1, 'controller' => 7, 'bits' => 14], 'steps' => [['kind' => 'scale', 'from' => [0, 16383], 'to' => [-270, 270]]], 'do' => [['kind' => 'set', 'point' => 'fixture:head/pan']]],
            'lectern', 'b00740 b02701', ['slot:palm/21 128', 'slot:palm/22 6'],
        ];
    }

    /**
     * @param array<string, mixed> $route
     * @param list<string> $expected
     */
    #[DataProvider('evenings')]
    public function testFromWhatArrivesToWhatLeaves(array $route, string $port, string $what, array $expected): void
    {
        $rig = self::rig([['id' => 'r', 'name' => 'R'] + $route]);
        $left = [];
        if ($port === 'sacn') {
            [$slot, $level] = array_map(intval(...), explode(' ', $what));
            $left = [...$rig->sacn([$slot => 0]), ...$rig->sacn([$slot => $level])];
        }
        foreach ($port === 'sacn' ? [] : explode(' ', $what) as $hex) {
            [$key, $from, $number] = match ($port) {
                'tablet' => [$this->endpoint($rig, 'tablet'), '127.0.0.15', 9000],
                'stick' => [$this->endpoint($rig, 'stick'), 'page', 0],
                default => ['midi cable lectern', 'cable lectern', 0],
            };
            array_push($left, ...$rig->junction->arrived($key, $from, $number, (string) hex2bin($hex), $rig->nanos()));
        }
        $told = array_map(static fn($packet): string => "{$packet->portId} ".bin2hex($packet->bytes), $left);
        foreach ($expected as $one) {
            [$where, $is] = explode(' ', $one, 2);
            if (str_contains($where, ':')) {
                $reference = \NimbleJunction\Core\Point\Reference::parse($where) ?? self::fail($where);
                self::assertSame($is, (string) $rig->junction->points()->read($reference), implode("\n", $rig->allHops()));
            } else {
                self::assertContains($one, $told, implode("\n", $rig->allHops()));
            }
        }
    }

    /** A tablet's fader and a desk's level, both ways: what the tablet sends back of what it was told holds nothing up. */
    public function testATabletFollowsAndIsNoEcho(): void
    {
        $rig = self::rig([[
            'id' => 'r',
            'name' => 'R',
            'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/level'],
            'steps' => [['kind' => 'scale', 'from' => [0, 1], 'to' => [0, 255]]],
            'do' => [['kind' => 'set', 'point' => 'slot:palm/9']],
            'back' => ['kind' => 'value'],
        ]]);
        $told = 0;
        for ($i = 1; $i <= 100; ++$i) {
            $packets = [...$rig->sacn([9 => $i % 2 === 0 ? 250 - $i : 251 - $i], sequence: $i), ...array_column($rig->pass(0.03), 1)];
            foreach ($packets as $packet) {
                if ($packet->portId === 'tablet') {
                    ++$told;
                    $rig->junction->arrived($this->endpoint($rig, 'tablet'), '127.0.0.15', 9000, $packet->bytes, $rig->nanos());
                }
            }
        }
        self::assertGreaterThan(40, $told);
        self::assertLessThanOrEqual(110, $told, 'it does not grow');
        self::assertSame(150, $rig->level(9), 'the desk has it: no echo is in its way');
    }

    /** @param list<array<string, mixed>> $routes */
    private static function rig(array $routes): Rig
    {
        return new Rig([
            'ports' => [
                ...Rig::document()['ports'],
                ['id' => 'lectern', 'name' => 'Lectern', 'protocol' => 'midi', 'link' => ['kind' => 'cable', 'device' => 'lectern'], 'receive' => [], 'send' => []],
                ['id' => 'stick', 'name' => 'Stick', 'protocol' => 'controller', 'link' => ['kind' => 'browser', 'device' => 'stick'], 'receive' => []],
            ],
            'values' => [['id' => 'house', 'name' => 'House']],
            'profiles' => [['id' => 'head', 'name' => 'Head', 'parameters' => [['id' => 'pan', 'name' => 'Pan', 'slots' => 2, 'unit' => '°', 'physical' => [-270, 270]]]]],
            'fixtures' => [['id' => 'head', 'name' => 'Head', 'profile' => 'head', 'universe' => 'palm', 'first' => 21]],
            'routes' => $routes,
        ]);
    }

    private function endpoint(Rig $rig, string $port): string
    {
        return (string) array_key_first(array_filter(
            $rig->junction->plan()->endpoints,
            static fn($one): bool => \in_array($port, $one->portIds, true),
        ));
    }
}
