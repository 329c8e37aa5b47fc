<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use NimbleJunction\Core\Plan\Compiler;
use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Rehearsal\Rehearsal;
use NimbleJunction\Core\Rehearsal\ScriptReader;
use NimbleJunction\Core\Rehearsal\Stage;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\Capture\Datagram;
use NimbleJunction\Core\Wire\Capture\Pcap;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Tests\Support\Golden;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A show played from a script, without devices or clock: the same input gives the same bytes, always. */
final class RehearsalTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function recordings(): iterable
    {
        foreach (Golden::all() as $folder) {
            yield basename($folder) => [$folder];
        }
    }

    #[DataProvider('recordings')]
    public function testAGoldenRecordingComesOutAsItIsWrittenDown(string $folder): void
    {
        $golden = new Golden($folder);
        self::assertSame($golden->written(), $golden->now(), 'see tests/Golden/README.md');
        self::assertSame($golden->now(), $golden->now());
    }

    public function testWhatLeavesIsSaidWithItsTimeItsWayAndInWords(): void
    {
        $lines = $this->play([
            ['at' => 0.5, 'port' => 'house', 'from' => '127.0.0.11:6454', 'hex' => bin2hex((new Dmx(1, "\x0A\x14"))->encode())],
            [
                'at' => 0.7,
                'port' => 'tablet',
                'from' => '127.0.0.15:9000',
                'hex' => bin2hex((new Message('/lamp', [Argument::of(1.0)]))->encode()),
            ],
        ], 0.75);
        $first = array_values(array_filter($lines, static fn(array $line): bool => ($line['port'] ?? '') === 'net'))[0];
        self::assertSame(
            [0.5, '127.0.0.16:6454', '512 slots of Art-Net port-address 9 (0:0:9)'],
            [$first['at'], $first['to'], $first['words']],
        );
        self::assertStringStartsWith('4172742d4e6574000050000e0100090002000a14', $first['hex']);
        self::assertContains(['at' => 0.7, 'point' => 'slot:palm/5', 'value' => 255], $lines);
        self::assertContains(['at' => 0.5, 'point' => 'slot:palm/5', 'value' => 0], $lines);
        $traced = array_values(
            array_filter($lines, static fn(array $line): bool => isset($line['trace']) && $line['trace']['kind'] === 'message'),
        )[0];
        self::assertSame([0.7, 'Tablet: /lamp 1'], [$traced['at'], $traced['words']]);
        self::assertContains('"Fader in" takes argument 1: 1 → 255', array_column($traced['trace']['hops'], 'words'));
    }

    public function testAHoldARestartAnEditAndTheTimeOfDay(): void
    {
        $edited = [...Rig::document(), 'name' => 'Edited', 'routes' => []];
        $lines = $this->play([
            ['at' => 0, 'port' => 'house', 'hex' => bin2hex((new Dmx(1, "\x0A\x14"))->encode())],
            ['at' => 1, 'hold' => 'slot:palm/5', 'value' => 99, 'seconds' => 3],
            ['at' => 2, 'restart' => true],
            ['at' => 2.5, 'hold' => 'slot:palm/5'],
            ['at' => 2.6, 'hold' => 'slot:palm/5', 'value' => 7, 'seconds' => 0.2],
            ['at' => 3, 'adopt' => $edited],
            ['at' => 3.1, 'time' => '2026-06-21T21:00:00+02:00'],
            ['at' => 4, 'port' => 'tablet', 'hex' => bin2hex((new Message('/lamp', [Argument::of(1.0)]))->encode())],
        ], 5);
        $values = array_map(
            static fn(array $line): array => [$line['at'], $line['value']],
            array_values(array_filter($lines, static fn(array $line): bool => isset($line['point']))),
        );
        self::assertSame(
            [[0.0, 0], [1.0, 99], [2.5, 0], [2.6, 7], [2.8, 0]],
            $values,
            'held over the restart, released, held, over; and no route any more',
        );
    }

    /** @return iterable<string, array{string, string}> a line, and what is wrong with it */
    public static function wrong(): iterable
    {
        yield 'a port that is not there' => ['{"at":1,"port":"nope","hex":"00"}', '/2/port: there is no port "nope" in the show'];
        yield 'hex that is none' => [
            '{"at":1,"port":"house","hex":"0x"}',
            '/2/hex: it is "0x". Give pairs of hexadecimal digits',
        ];
        yield 'a field that is not known' => [
            '{"at":1,"port":"house","hex":"00","frmo":"x"}',
            '/2/frmo: this field is not known here',
        ];
        yield 'a kind that is not known' => [
            '{"at":1,"dance":true}',
            '/2: it says nothing that is known here. A line has one of: hex, hold, adopt, restart, time, point, press.',
        ];
        yield 'back in time' => ['{"at":0.1,"restart":true}', '/2/at: it is 0.1, and the line before is at 0.5'];
        yield 'no object' => ['[1]', '/2: it is no JSON object'];
        yield 'no JSON' => ['{', '/2: it is no JSON object'];
        yield 'a slot that is not there' => [
            '{"at":1,"hold":"slot:palm/513","value":1}',
            '/2/hold: there is no slot:palm/513 in the show',
        ];
        yield 'a fixture that is not there' => [
            '{"at":1,"hold":"fixture:one/pan","value":1}',
            '/2/hold: there is no fixture:one/pan in the show',
        ];
        yield 'a level beyond 255' => ['{"at":1,"hold":"slot:palm/5","value":256}', '/2/value: it is 256'];
        yield 'a show that is none' => [
            '{"at":1,"adopt":{"format":"nimble-junction/show","version":1,"name":""}}',
            '/2/adopt/name: it is ""',
        ];
        yield 'a time that is none' => ['{"at":1,"time":"noon"}', '/2/time: it is "noon"'];
    }

    #[DataProvider('wrong')]
    public function testWhatIsNotKnownIsRefusedWithItsLine(string $line, string $words): void
    {
        $stage = self::stage();
        try {
            ScriptReader::read("{\"at\":0.5,\"restart\":true}\n{$line}\n", $stage);
            self::fail('it was taken');
        } catch (ShowRefused $refused) {
            self::assertStringContainsString($words, $refused->getMessage());
        }
    }

    public function testACaptureIsPlayedToWhoeverListensWhereItWent(): void
    {
        $at = 1_700_000_000_000_000_000;
        $datagram = static fn(float $seconds, string $to, int $port, string $bytes): Datagram => new Datagram(
            $at + (int) ($seconds * 1e9),
            '127.0.0.11',
            6454,
            $to,
            $port,
            $bytes,
        );
        $capture = Pcap::write([
            $datagram(0, '127.0.0.1', 6454, (new Dmx(1, "\x0A\x14"))->encode()),
            $datagram(1, '127.0.0.1', 7777, 'somebody else'),
            $datagram(2, '127.0.0.255', 6454, (new Dmx(1, "\x0B\x14"))->encode()),
        ]);
        $rehearsal = new Rehearsal(self::stage(), false, array_values(array_filter([Reference::parse('slot:palm/1')])));
        $values = array_map(
            static fn(array $line): array => [$line['at'], $line['value']],
            array_values(
                array_filter(
                    iterator_to_array($rehearsal->playCapture($capture, null), false),
                    static fn(array $line): bool => isset($line['point']),
                ),
            ),
        );
        self::assertSame([[0.0, 10], [2.0, 11]], $values);
        self::assertSame(1, $rehearsal->passedOver);
    }

    /**
     * @param list<array<string, mixed>> $script
     *
     * @return list<array<string, mixed>>
     */
    private function play(array $script, float $until): array
    {
        $stage = self::stage();
        $lines = implode("\n", array_map(static fn(array $line): string => json_encode($line, JSON_THROW_ON_ERROR), $script));

        return iterator_to_array(
            (new Rehearsal(
                $stage,
                true,
                array_values(array_filter([Reference::parse('slot:palm/5')])),
            ))->play(ScriptReader::read($lines, $stage), $until),
            false,
        );
    }

    public function testPointsAreSetAndPressedInAScript(): void
    {
        $document = Rig::document();
        $document['values'] = [['id' => 'open', 'name' => 'Open', 'type' => 'switch']];
        $document['routes'] = [
            [
                'id' => 'lamp',
                'name' => 'Lamp',
                'when' => ['kind' => 'point', 'point' => 'value:open', 'is' => 1],
                'do' => [['kind' => 'set', 'point' => 'slot:palm/9', 'value' => 70]],
            ],
        ];
        $stage = new Stage(new Compiler(new Identity('rehearsal')), ShowReader::fromArray($document));
        $points = array_values(array_filter([Reference::parse('value:open'), Reference::parse('slot:palm/9')]));
        $script = '{"at":1,"point":"value:open","value":true}'."\n".'{"at":2,"press":"value:open"}'."\n".'{"at":3,"point":"slot:palm/9","value":20}';
        $lines = iterator_to_array(
            (new Rehearsal($stage, false, $points))->play(ScriptReader::read($script, $stage), null),
            false,
        );
        $said = array_values(array_filter($lines, static fn(array $line): bool => isset($line['point'])));
        self::assertSame(
            [[1.0, 'value:open', 1], [1.0, 'slot:palm/9', 70], [2.0, 'value:open', 0]],
            array_slice(
                array_map(
                    static fn(array $line): array => array_values($line),
                    array_values(array_filter($said, static fn(array $line): bool => $line['value'] !== null && $line['at'] > 0)),
                ),
                0,
                3,
            ),
        );
        $this->expectExceptionMessage('/1/press: there is no point "value:door"');
        ScriptReader::read('{"at":1,"press":"value:door"}', $stage);
    }

    private static function stage(): Stage
    {
        return new Stage(new Compiler(new Identity(str_repeat('R', 16))), ShowReader::fromArray(Rig::document()));
    }
}
