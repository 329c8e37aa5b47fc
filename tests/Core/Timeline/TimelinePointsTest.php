<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Timeline;

use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Timeline\Timelines;
use NimbleJunction\Tests\Support\Evening;
use PHPUnit\Framework\TestCase;

/**
 * Everything of a timeline, of a time code, of the timetable and of tapes is a point: described, read, set, pressed, or refused with a
 * reason.
 */
final class TimelinePointsTest extends TestCase
{
    public function testEveryPointIsDescribedAndAnswersWhateverIsDoneToIt(): void
    {
        $evening = self::evening();
        $points = $evening->rig->junction->points();
        $all = [
            ...array_map(static fn(string $part): string => 'timeline:song'.($part === '' ? '' : "/{$part}"), Timelines::PARTS),
            ...array_map(static fn(string $part): string => 'timecode:tape'.($part === '' ? '' : "/{$part}"), Timelines::TIMECODE_PARTS),
            'occasion:one',
            'occasion:one/at',
            'occasion:one/in',
            'occasion:one/enabled',
            'timetable:next',
            'timetable:next/at',
            'timetable:next/in',
        ];
        foreach ($all as $text) {
            $point = $points->describe(Evening::point($text));
            self::assertNotNull($point, $text);
            self::assertNotSame('', $point->name, $text);
            self::assertSame($point->name, ucfirst($point->name), $text);
            foreach ([0, 1, 'later', -5, 1e9] as $value) {
                $why = $evening->set($text, $value);
                self::assertTrue($why === '' || \strlen($why) > 8, "{$text} to {$value}: {$why}");
                self::assertTrue(
                    $point->isSet || $point->kind === PointKind::Press || $why !== '',
                    "{$text} says that it cannot be set, and is",
                );
            }
            $why = $evening->press($text);
            self::assertTrue($point->isPressed || $why !== '', "{$text} says that it cannot be pressed, and is");
            $evening->rig->pass(0.05);
        }
        foreach (['timeline:gone', 'timeline:song/gone', 'timecode:gone/start', 'occasion:gone', 'timetable:other', 'tape:gone'] as $text) {
            self::assertNull($points->describe(Evening::point($text)), $text);
            self::assertNotSame('', $evening->set($text, 1), $text);
        }
    }

    public function testTheyAreFoundByTheirNames(): void
    {
        $points = self::evening()->rig->junction->points();
        foreach ([
            'timeline song' => 'timeline:song',
            'time code tape' => 'timecode:tape',
            'occasion one' => 'occasion:one',
            'next of the timetable' => 'timetable:next',
        ] as $words => $reference) {
            $found = array_map(static fn($one): string => $one->reference->text(), $points->find($words, 50));
            self::assertContains($reference, $found, $words);
        }
    }

    public function testWhatChangesIsToldToRoutesThatWaitForIt(): void
    {
        $evening = self::evening();
        $sent = [];
        $collect = static function (array $packets) use (&$sent): void {
            foreach ($packets as [, $packet]) {
                if (str_starts_with($packet->bytes, '/')) {
                    $sent[] = explode("\0", $packet->bytes)[0];
                }
            }
        };
        $evening->set('timeline:song', 1.2);
        $evening->press('timeline:song/round');
        $evening->press('timeline:song/play');
        $collect($evening->rig->pass(0.2));
        $evening->set('timeline:song/rate', 2);
        $evening->press('timeline:song/pause');
        $evening->press('timeline:song/round');
        $collect($evening->rig->pass(0.6));
        // What was done between two turns is told with the next one.
        self::assertContains('/running', $sent, implode(' ', $sent));
        $evening->set('timecode:tape', '00:00:10:00');
        $evening->press('timecode:tape/start');
        $collect($evening->rig->pass(0.2));
        self::assertContains('/tape', $sent, implode(' ', $sent));
    }

    private static function evening(): Evening
    {
        $tell = static fn(string $id, string $point, string $address): array => [
            'id' => $id, 'name' => $id, 'when' => [['kind' => 'point', 'point' => $point]],
            'do' => [['kind' => 'send', 'port' => 'tablet', 'message' => ['kind' => 'osc', 'address' => $address]]],
        ];

        return new Evening([
            'routes' => [$tell('running', 'timeline:song/position', '/running'), $tell('tape', 'timecode:tape', '/tape')],
            'timecodes' => [['id' => 'tape', 'name' => 'Tape']],
            'occasions' => [['id' => 'one', 'name' => 'One', 'when' => ['kind' => 'time', 'at' => '12:00']]],
            'timelines' => [[
                'id' => 'song', 'name' => 'Song', 'length' => 4,
                'tracks' => [['id' => 'c', 'name' => 'C', 'does' => ['kind' => 'levels', 'point' => 'fixture:c/level', 'knots' => [['at' => 0, 'value' => 0], ['at' => 4, 'value' => 100]]]]],
                'markers' => [['id' => 'v', 'at' => 1, 'name' => 'Verse', 'isSection' => true]],
            ]],
        ]);
    }
}
