<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\LocalZone;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\LiveLink;
use PHPUnit\Framework\TestCase;

/** The timetable by the real clock: an occasion a few seconds away comes, and its page is told what is next. */
final class TimetableLinkTest extends TestCase
{
    public function testAnOccasionComesByTheRealClock(): void
    {
        $live = Background::freePort();
        $at = static fn(int $seconds): string => (new \DateTimeImmutable("+{$seconds} seconds", LocalZone::of()))->format('H:i:s');
        $set = static fn(int $value): array => [['kind' => 'set', 'point' => 'value:mood', 'value' => $value]];
        $document = [...EngineProcess::document('127.78.47'), 'values' => [['id' => 'mood', 'name' => 'Mood', 'type' => 'number', 'low' => 0, 'high' => 9]],
            'occasions' => [
                ['id' => 'soon', 'name' => 'Soon', 'when' => ['kind' => 'time', 'at' => $at(15)], 'do' => $set(4)],
                ['id' => 'later', 'name' => 'Later', 'when' => ['kind' => 'time', 'at' => $at(3600)], 'do' => $set(5)],
            ],
        ];
        $engine = new EngineProcess($document, ['--for=60', "--live=127.0.0.1:{$live}"]);
        try {
            $heard = (new LiveLink($live, Role::Operator, [
                ['do' => 'subscribe', 'topics' => ['timetable', 'points:value:mood', 'points:timetable:next']],
            ], 18.0))->heard();
        } finally {
            $engine->stop();
        }
        $first = $heard['timetable'][0];
        $last = end($heard['timetable']);
        self::assertSame(['soon', 'later'], array_column($first['occasions'], 'id'));
        self::assertSame(['later', 'soon'], array_column($last['occasions'], 'id'), 'what has come is the last one that comes next');
        self::assertEqualsWithDelta(time(), $first['time'], 30);
        self::assertSame(LocalZone::of()->getName(), $first['zone']);
        self::assertContains(
            4,
            array_map(
                static fn(array $one): int => (int) $one['value'],
                array_filter($heard['point'], static fn(array $one): bool => $one['point'] === 'value:mood'),
            ),
        );
        self::assertContains('Later', array_column($heard['point'], 'value'));
    }

    public function testTheZoneIsThatOfTheMachine(): void
    {
        $etc = sys_get_temp_dir().'/junction-test-'.bin2hex(random_bytes(6));
        mkdir($etc);
        $before = getenv('TZ');
        try {
            putenv('TZ');
            self::assertSame('UTC', LocalZone::of($etc)->getName());
            symlink('/usr/share/zoneinfo/Europe/Berlin', "{$etc}/localtime");
            self::assertSame('Europe/Berlin', LocalZone::of($etc)->getName());
            file_put_contents("{$etc}/timezone", "Asia/Tokyo\n");
            self::assertSame('Asia/Tokyo', LocalZone::of($etc)->getName());
            putenv('TZ=:Australia/Sydney');
            self::assertSame('Australia/Sydney', LocalZone::of($etc)->getName());
            putenv('TZ=Nowhere/Here');
            self::assertSame('Asia/Tokyo', LocalZone::of($etc)->getName());
        } finally {
            putenv($before === false ? 'TZ' : "TZ={$before}");
            array_map(unlink(...), glob("{$etc}/*") ?: []);
            rmdir($etc);
        }
    }
}
