<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Universe\Cadence;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** When frames leave: at once on a change, never faster than a line could take them, and again when nothing changes. */
final class CadenceTest extends TestCase
{
    public function testAChangeLeavesAtOnceThroughEveryOutput(): void
    {
        $left = (new Rig(['routes' => []]))->artNet([1 => 9]);
        self::assertSame(
            ['127.0.0.14:5568', '127.0.0.16:6454'],
            array_map(static fn(OutgoingPacket $packet): string => "{$packet->address}:{$packet->port}", $left),
        );
        self::assertSame("\x09", $left[0]->bytes[126]);
        self::assertSame("\x09", $left[1]->bytes[18]);
    }

    /** ANSI E1.11: a full universe is refreshed at most about 44 times a second. */
    public function testNoOutputIsFasterThanFortyFourASecond(): void
    {
        $rig = new Rig();
        $left = [];
        for ($i = 0; $i < 1000; ++$i) {
            $at = $rig->now;
            array_push(
                $left,
                ...array_map(static fn(OutgoingPacket $packet): array => [$at, $packet], $rig->artNet([1 => $i % 256])),
                ...$rig->pass(0.001),
            );
        }
        foreach (['127.0.0.14', '127.0.0.16'] as $address) {
            $times = self::times($left, $address);
            self::assertGreaterThanOrEqual(43, \count($times));
            self::assertLessThanOrEqual(45, \count($times));
            self::assertGreaterThanOrEqual(0.022675, min(self::gaps($times)));
        }
    }

    public function testAPortThatRepeatsAtItsFullRateDoesSoWhetherLevelsChangeOrNot(): void
    {
        $counts = [];
        foreach ([false, true] as $isFull) {
            $ports = Rig::document()['ports'];
            foreach ([3, 4] as $i) {
                $ports[$i]['send'] = [...$ports[$i]['send'], 'perSecond' => 30, 'fullRate' => $isFull];
            }
            $rig = new Rig(['routes' => [], 'ports' => $ports]);
            $rig->artNet([1 => 9]);
            $left = $rig->pass(5.0);
            foreach (['127.0.0.14', '127.0.0.16'] as $address) {
                $counts[$address][] = \count(self::times($left, $address));
            }
        }
        self::assertSame(
            ['127.0.0.14' => [7, 150], '127.0.0.16' => [5, 150]],
            array_map(static fn(array $two): array => [$two[0], (int) round($two[1], -1)], $counts),
        );
        self::assertSame('30 frames a second, whether levels change or not', Cadence::of(Protocol::Sacn, 30, true)->words());
        self::assertSame('at most 44 frames a second; unchanged levels 3 times, then every 0.9 s', Cadence::of(Protocol::Sacn)->words());
        self::assertSame('at most 30 frames a second; unchanged levels every 1 s', Cadence::of(Protocol::ArtNet, 30)->words());
    }

    /** ANSI E1.31-2018, 6.6.1: three packets of the same data, then one each 800 to 1000 ms. */
    public function testSacnRepeatsThreeTimesAndThenKeepsAlive(): void
    {
        $rig = new Rig(
            [
                'ports' => [
                    ...Rig::document()['ports'],
                    [
                        'id' => 'feeder',
                        'name' => 'Feeder',
                        'protocol' => 'dmx-line',
                        'receive' => ['port' => 5120, 'feeds' => []],
                    ],
                ],
            ],
        );
        $start = $rig->now;
        $left = array_map(static fn(OutgoingPacket $packet): array => [$start, $packet], $rig->artNet([1 => 9]));
        array_push($left, ...$rig->pass(5));
        $gaps = self::gaps(self::times($left, '127.0.0.14'));
        self::assertLessThan(0.1, $gaps[0]);
        self::assertLessThan(0.1, $gaps[1]);
        foreach (\array_slice($gaps, 2) as $gap) {
            self::assertGreaterThanOrEqual(0.8, $gap);
            self::assertLessThanOrEqual(1.0, $gap);
        }
    }

    /** Art-Net 4, ArtDmx: unchanged data again after 800 ms to 4 s (from memory); we use 1 s. */
    public function testArtNetRepeatsEverySecond(): void
    {
        $rig = new Rig();
        $start = $rig->now;
        $left = array_map(static fn(OutgoingPacket $packet): array => [$start, $packet], $rig->artNet([1 => 9]));
        array_push($left, ...$rig->pass(4.5));
        self::assertEqualsWithDelta([1, 1, 1, 1], self::gaps(self::times($left, '127.0.0.16')), 1e-6);
    }

    public function testTheLastOfFastChangesAlwaysLeaves(): void
    {
        $rig = new Rig();
        $rig->artNet([1 => 1]);
        $rig->artNet([1 => 2]);
        $rig->artNet([1 => 3]);
        $left = $rig->pass(0.03);
        self::assertSame("\x03", $left[0][1]->bytes[126]);
    }

    public function testNothingIsSentBeforeAnythingGaveALevel(): void
    {
        self::assertSame([], (new Rig())->pass(10));
    }

    public function testALineIsRefreshedAllTheTime(): void
    {
        $rig = new Rig(
            [
                'ports' => [
                    Rig::document()['ports'][0],
                    [
                        'id' => 'line',
                        'name' => 'Line',
                        'protocol' => 'dmx-line',
                        'send' => ['to' => ['127.0.0.13'], 'port' => 5120, 'carries' => [['number' => 1, 'universe' => 'palm']]],
                    ],
                ],
                'routes' => [],
            ],
        );
        $rig->artNet([1 => 9]);
        $left = $rig->pass(1);
        self::assertGreaterThanOrEqual(43, \count($left));
        self::assertSame("\0\x09", substr($left[0][1]->bytes, 0, 2));
    }

    public function testAdoptingAChangedShowInterruptsNothing(): void
    {
        $rig = new Rig();
        $rig->artNet([1 => 9]);
        $rig->pass(0.5);
        $document = Rig::document();
        $document['ports'][3]['name'] = 'Another name';
        $document['ports'][] = [
            'id' => 'new',
            'name' => 'New',
            'protocol' => 'art-net',
            'send' => ['to' => ['127.0.0.17'], 'carries' => [['number' => 9, 'universe' => 'palm']]],
        ];
        $rig->adopt($document);
        $left = $rig->pass(2);
        foreach ($left as [, $packet]) {
            self::assertStringContainsString("\x09", $packet->bytes);
        }
        self::assertNotEmpty(self::times($left, '127.0.0.17'), 'a new output gets the levels at once');
        self::assertSame(9, $rig->level(1));
        $sequences = array_map(
            static fn(array $one): int => \ord($one[1]->bytes[111]),
            array_values(array_filter($left, static fn(array $one): bool => $one[1]->address === '127.0.0.14')),
        );
        self::assertSame(range($sequences[0], $sequences[0] + \count($sequences) - 1), $sequences, 'the sequence runs on');
        unset($document['ports'][0]);
        $rig->adopt(['ports' => array_values($document['ports'])]);
        self::assertSame(9, $rig->level(1), 'when the port of the last source is deleted, the levels stay');
    }

    /** The same calls give the same answers, always. */
    public function testARecordingPlayedTwiceGivesTheSameBytes(): void
    {
        $play = static function (): string {
            mt_srand(5);
            $rig = new Rig();
            $heard = '';
            for ($i = 0; $i < 500; ++$i) {
                $left = match (mt_rand(0, 4)) {
                    0 => $rig->artNet([mt_rand(1, 512) => mt_rand(0, 255)]),
                    1 => $rig->sacn([mt_rand(1, 512) => mt_rand(0, 255)], mt_rand(90, 110)),
                    2 => $rig->osc('/lamp', mt_rand(0, 100) / 100),
                    3 => $rig->arrive(Rig::ART_NET, 'rubbish'),
                    default => array_column($rig->pass(mt_rand(1, 900) / 1000), 1),
                };
                $heard .= serialize($left);
            }

            return md5($heard).\strlen($heard);
        };
        self::assertSame($play(), $play());
    }

    /**
     * @param list<array{float, OutgoingPacket}> $left
     *
     * @return list<float>
     */
    private static function times(array $left, string $address): array
    {
        return array_column(array_filter($left, static fn(array $one): bool => $one[1]->address === $address), 0);
    }

    /**
     * @param list<float> $times
     *
     * @return list<float>
     */
    private static function gaps(array $times): array
    {
        return array_map(static fn(float $a, float $b): float => $b - $a, \array_slice($times, 0, -1), \array_slice($times, 1));
    }
}
