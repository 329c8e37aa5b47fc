<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Timeline;

use NimbleJunction\Core\Timeline\Kind\LevelTrack;
use NimbleJunction\Core\Timeline\Knot;
use NimbleJunction\Core\Timeline\Line;
use NimbleJunction\Core\Timeline\Shape;
use NimbleJunction\Tests\Support\Evening;
use PHPUnit\Framework\TestCase;

/** A large timeline, played for an hour; and lines by arithmetic. */
final class LongTimelineTest extends TestCase
{
    public function testFiveThousandTriggersAndTwoHundredLinesPlayAnHourWithExactlyTheEventsThatAreWritten(): void
    {
        mt_srand(3);
        $triggers = $expected = [];
        for ($i = 0; $i < 5000; ++$i) {
            // Some of them at one moment.
            $at = mt_rand(0, 35_990) / 10;
            $triggers[] = [
                'id' => "t{$i}",
                'at' => $at,
                'do' => [['kind' => 'send', 'port' => 'tablet', 'message' => ['kind' => 'osc', 'address' => "/t{$i}"]]],
            ];
            $expected["/t{$i}"] = $at;
        }
        $lines = [];
        for ($i = 0; $i < 200; ++$i) {
            $lines[] = ['id' => "l{$i}", 'name' => "L{$i}", 'does' => ['kind' => 'levels', 'point' => "value:v{$i}", 'knots' => array_map(
                static fn(int $k): array => ['at' => $k * 600, 'value' => mt_rand(0, 100), 'to' => $k % 2 === 0 ? 'linear' : 'step'],
                range(0, 6),
            )]];
        }
        $evening = new Evening([
            'values' => array_map(
                static fn(int $i): array => ['id' => "v{$i}", 'name' => "V{$i}", 'type' => 'number', 'low' => 0, 'high' => 100],
                range(0, 199),
            ),
            'timelines' => [['id' => 'song', 'name' => 'Song', 'length' => 3600, 'tracks' => [
                ['id' => 'marks', 'name' => 'Marks', 'does' => ['kind' => 'triggers', 'triggers' => $triggers]],
                ...$lines,
            ]]],
        ]);
        $evening->set('timeline:song/rate', 4.0);
        $began = $evening->rig->now;
        $evening->press('timeline:song/play');
        $came = [];
        foreach ($evening->rig->pass(901.0) as [$at, $packet]) {
            $address = explode("\0", $packet->bytes)[0];
            if (isset($expected[$address])) {
                self::assertArrayNotHasKey($address, $came, 'none twice');
                $came[$address] = $at - $began;
                self::assertEqualsWithDelta($expected[$address] / 4.0, $came[$address], 1e-6);
            }
        }
        self::assertCount(5000, $came);
        self::assertSame(0, $evening->read('timeline:song/running'));
        foreach ($lines as $i => $line) {
            self::assertSame((float) $line['does']['knots'][6]['value'], (float) $evening->read("value:v{$i}"));
        }
    }

    public function testLinesGoInTheirShapes(): void
    {
        $line = new Line([
            new Knot(4, 0),
            new Knot(0, 10, Shape::Step),
            new Knot(1, 20),
            new Knot(2, 40, Shape::Smooth),
            new Knot(3, 0, Shape::Bent, -1.0),
        ]);
        self::assertNull($line->at(-0.001));
        $seen = array_map(static fn(float $at): float => round((float) $line->at($at), 6), [0.0, 0.99, 1.0, 1.5, 2.0, 2.25, 2.5, 3.0, 9.0]);
        self::assertSame([10.0, 10.0, 20.0, 30.0, 40.0, 33.75, 20.0, 0.0, 0.0], $seen, 'smooth is 3w² − 2w³');
        self::assertNull((new Line([]))->at(1.0));
        self::assertNull((new LevelTrack())->line->at(0.0));
        foreach ([[-1.0, 0.1], [0.0, 0.5], [1.0, 0.9]] as [$bend, $share]) {
            self::assertEqualsWithDelta($share, Shape::Bent->share(0.5, $bend), 1e-6);
            self::assertSame([0.0, 1.0], [Shape::Bent->share(0.0, $bend), Shape::Bent->share(1.0, $bend)]);
        }
        self::assertSame(7.0, (new Line([new Knot(1, 3), new Knot(1, 7)]))->at(1.0), 'of two at one moment the last counts');
    }
}
