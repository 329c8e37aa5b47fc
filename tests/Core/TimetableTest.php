<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Timetable\Kind\AtSun;
use NimbleJunction\Core\Timetable\Occasion;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** What happens by itself: on its days and no others, by the clock and by the sun, over a change of summer time and over a power cut. */
final class TimetableTest extends TestCase
{
    /** Friday, 27 November 2026, 12:00 in Berlin. */
    private const NOON = '2026-11-27T12:00:00+01:00';

    /**
     * Tables of sunrise and sunset as the United States Naval Observatory publishes them, in local time; from memory.
     */
    public function testSunriseAndSunsetAreThoseOfTheAlmanac(): void
    {
        foreach ([
            ['Europe/London', 51.507, -0.128, '2024-06-21', '04:43', '21:21'],
            ['Europe/London', 51.507, -0.128, '2024-12-21', '08:04', '15:53'],
            ['America/New_York', 40.713, -74.006, '2024-06-20', '05:25', '20:30'],
            ['America/New_York', 40.713, -74.006, '2024-12-21', '07:16', '16:32'],
            ['Australia/Sydney', -33.869, 151.209, '2024-06-21', '07:00', '16:54'],
            ['Atlantic/Reykjavik', 64.147, -21.942, '2024-12-21', '11:22', '15:30'],
        ] as [$zone, $latitude, $longitude, $date, $rises, $sets]) {
            $day = new \DateTimeImmutable($date, new \DateTimeZone($zone));
            foreach (['sunrise' => $rises, 'sunset' => $sets] as $event => $at) {
                $is = (new AtSun($event, $latitude, $longitude))->on($day);
                self::assertEqualsWithDelta(
                    (new \DateTimeImmutable("{$date} {$at}", new \DateTimeZone($zone)))->getTimestamp(),
                    (int) $is,
                    120,
                    "{$event} {$zone} {$date}",
                );
            }
        }
        $midsummer = new \DateTimeImmutable('2024-06-21', new \DateTimeZone('Europe/Oslo'));
        self::assertNull((new AtSun('sunset', 69.65, 18.96))->on($midsummer), 'in Tromsø the sun stays up');
        self::assertSame(
            -1800,
            (new AtSun('sunset', 52.5, 13.4, -30.0))->on($midsummer) - (new AtSun('sunset', 52.5, 13.4))->on($midsummer),
        );
    }

    /** The low-precision position of the sun of the Astronomical Almanac (page C5; from memory), for random places and days. */
    public function testSunriseAndSunsetAreWhereTheSunIs(): void
    {
        mt_srand(7);
        for ($i = 0; $i < 300; ++$i) {
            $latitude = mt_rand(-600, 600) / 10;
            $longitude = mt_rand(-1800, 1800) / 10;
            // Its day begins at local midnight, about.
            $zone = new \DateTimeZone(sprintf('%+03d:00', (int) round($longitude / 15)));
            $day = (new \DateTimeImmutable('2026-01-01', $zone))->modify('+'.mt_rand(0, 364).' days');
            foreach (['sunrise' => -1, 'sunset' => 1] as $event => $side) {
                $is = (int) (new AtSun($event, $latitude, $longitude))->on($day);
                self::assertEqualsWithDelta(
                    self::sunAt($day, $latitude, $longitude, $side),
                    $is,
                    120,
                    "{$event} at {$latitude}, {$longitude} on {$day->format('c')}",
                );
            }
        }
    }

    public function testItHappensOnItsDaysAndNoOthers(): void
    {
        $zone = new \DateTimeZone('Europe/Berlin');
        $from = (new \DateTimeImmutable(self::NOON))->getTimestamp();
        $dates = static function (array $fields, int $count = 3) use ($from, $zone): array {
            $occasion = ShowReader::fromArray([
                ...Rig::document(),
                'occasions' => [self::occasion('one', '19:30', [], $fields)],
            ])->occasions['one'];
            $found = [];
            for ($at = $occasion->next($from, $zone); $at !== null && \count($found) < $count; $at = $occasion->next($at, $zone)) {
                $found[] = (new \DateTimeImmutable("@{$at}"))->setTimezone($zone)->format('D Y-m-d H:i:s');
            }

            return $found;
        };
        self::assertSame(['Fri 2026-11-27 19:30:00', 'Sat 2026-11-28 19:30:00'], $dates([], 2));
        self::assertSame(
            ['Mon 2026-11-30 19:30:00', 'Wed 2026-12-02 19:30:00', 'Mon 2026-12-07 19:30:00'],
            $dates(['days' => ['wed', 'mon']]),
        );
        self::assertSame(
            ['Thu 2026-12-24 19:30:00'],
            $dates(['from' => '2026-12-24', 'until' => '2026-12-25', 'except' => ['2026-12-25']]),
        );
        self::assertSame(
            ['Fri 2026-11-27 19:30:00', 'Sun 2026-11-29 19:30:00'],
            $dates(['except' => ['2026-11-28', '2026-11-30/2027-01-06']], 2),
        );
        self::assertSame([], $dates(['until' => '2026-11-26']));
        self::assertSame(['Sun 2027-02-28 19:30:00'], $dates(['days' => ['sun'], 'from' => '2027-02-27'], 1));
        // The night in which clocks are put on: 02:30 is left out, and an hour later. The one in which they are put back: it comes once.
        self::assertSame(
            ['Sun 2027-03-28 03:30:00', 'Mon 2027-03-29 02:30:00'],
            $dates(['when' => ['kind' => 'time', 'at' => '02:30'], 'from' => '2027-03-28'], 2),
        );
        self::assertCount(2, $dates(['when' => ['kind' => 'time', 'at' => '02:30'], 'from' => '2027-10-31', 'until' => '2027-11-01']));
    }

    public function testItComesAtItsSecondOnceAndWhatIsNextIsSaid(): void
    {
        $evening = self::evening([self::occasion('doors', '12:00:30', ['/doors']), self::occasion('dusk', '12:01', ['/dusk', '/lamps'])]);
        self::assertSame(
            ['', null],
            [$evening->read('timetable:next'), $evening->read('timetable:next/in')],
            'nobody has said what time it is',
        );
        self::clock($evening, self::NOON);
        self::assertSame(
            ['Doors', 30, '2026-11-27 12:00:30'],
            [$evening->read('timetable:next'), $evening->read('timetable:next/in'), $evening->read('timetable:next/at')],
        );
        $left = $evening->rig->pass(29.9);
        self::assertSame([], self::sent($left));
        $left = $evening->rig->pass(0.2);
        self::assertSame(['/doors'], self::sent($left));
        self::assertSame('Dusk', $evening->read('timetable:next'));
        // The clock is told again and again, and put back a little: nothing comes twice.
        self::clock($evening, '2026-11-27T12:00:29+01:00');
        self::assertSame(['/dusk', '/lamps'], self::sent($evening->rig->pass(60)));
        self::assertSame(['Doors', '2026-11-28 12:00:30'], [$evening->read('timetable:next'), $evening->read('timetable:next/at')]);
        [$refused, $packets] = $evening->rig->junction->press(
            Evening::point('occasion:dusk'),
            new Act('person', 'Ada'),
            $evening->rig->nanos(),
        );
        self::assertSame(
            ['', ['/dusk', '/lamps']],
            [$refused, self::sent(array_map(static fn(OutgoingPacket $one): array => [0.0, $one], $packets))],
            'somebody lets it happen now',
        );
        $evening->press('occasion:doors/enabled');
        self::assertSame(
            [0, 'Dusk', ''],
            [$evening->read('occasion:doors/enabled'), $evening->read('timetable:next'), $evening->read('occasion:doors/at')],
        );
        self::assertNotSame('', $evening->set('timetable:next', 1));
    }

    public function testWhatWasMissedIsMadeUpForOrLeftOutAsItSays(): void
    {
        $make = static fn(): Evening => self::evening([
            self::occasion('skipped', '18:00', ['/skipped']),
            self::occasion('made', '18:30', ['/made'], ['missed' => 'do', 'within' => 6]),
            self::occasion('before', '17:00', ['/before'], ['missed' => 'do', 'within' => 6]),
            self::occasion('late', '13:00', ['/late'], ['missed' => 'do', 'within' => 6]),
        ]);
        $evening = $make();
        self::clock($evening, '2026-11-27T12:59:50+01:00');
        self::assertSame(['/late'], self::sent($evening->rig->pass(15)));
        $state = json_decode(
            json_encode($evening->rig->junction->rooms()->state($evening->rig->nanos()), JSON_THROW_ON_ERROR),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
        // Dark from 13:00:05 until 20:00.
        foreach (['the clock is known after what was kept', 'the clock is known before'] as $order => $words) {
            $again = $make();
            $again->rig->now = 5.0;
            $deeds = [
                fn() => $again->rig->junction->restore($state, $again->rig->nanos(), 6 * 3600 * 1_000_000_000 + 3595 * 1_000_000_000),
                fn() => self::clock($again, '2026-11-27T20:00:00+01:00'),
            ];
            foreach ($order === 0 ? $deeds : array_reverse($deeds) as $deed) {
                $deed();
            }
            self::assertSame(['/before', '/made'], self::sent($again->rig->pass(1.0)), $words);
            self::assertSame('2026-11-28 13:00:00', $again->read('occasion:late/at'));
        }
        // The clock is put on by five hours while it runs: what lay between was missed too.
        $evening = $make();
        self::clock($evening, self::NOON);
        self::clock($evening, '2026-11-27T18:45:00+01:00');
        self::assertSame(
            ['/late', '/before', '/made'],
            self::sent($evening->rig->pass(1.0)),
            'each within its hours, in the order of time',
        );
    }

    public function testWhatIsWrongIsSaid(): void
    {
        foreach ([
            [['when' => ['kind' => 'time', 'at' => '25:00']], 'when/at'],
            [['when' => ['kind' => 'sun', 'event' => 'sunset', 'latitude' => 91, 'longitude' => 0]], 'when/latitude'],
            [['days' => ['someday']], 'days'],
            [['from' => '2026-02-30'], 'from'],
            [['from' => '2026-03-02', 'until' => '2026-03-01'], 'until'],
            [['except' => ['tomorrow']], 'except/0'],
            [['do' => [['kind' => 'press', 'point' => 'look:gone']]], 'do/0/point'],
        ] as [$fields, $path]) {
            try {
                ShowReader::fromArray([...Rig::document(), 'occasions' => [self::occasion('one', '19:30', [], $fields)]]);
                self::fail("accepted: {$path}");
            } catch (ShowRefused $refused) {
                self::assertStringContainsString("/occasions/0/{$path}", $refused->getMessage());
            }
        }
        self::assertSame(
            '30 min before sunset, Monday, until 2026-12-01',
            (new Occasion('a', 'A', when: new AtSun('sunset', 50, 10, -30.0), days: ['mon'], until: '2026-12-01'))->words(),
        );
    }

    /** @return float seconds since 1970 */
    private static function sunAt(\DateTimeImmutable $day, float $latitude, float $longitude, int $side): float
    {
        $at = $day->setTime(12, 0)->getTimestamp();
        foreach (range(1, 5) as $_) {
            $n = $at / 86400 + 2440587.5 - 2451545.0;
            $mean = 280.460 + 0.9856474 * $n;
            $anomaly = deg2rad(357.528 + 0.9856003 * $n);
            $along = deg2rad($mean + 1.915 * sin($anomaly) + 0.020 * sin(2 * $anomaly));
            $tilt = deg2rad(23.439 - 0.0000004 * $n);
            $ascension = rad2deg(atan2(cos($tilt) * sin($along), cos($along)));
            $declination = asin(sin($tilt) * sin($along));
            $equation = fmod($mean - $ascension + 540.0, 360.0);
            $equation = fmod($equation + 360.0, 360.0) - 180.0;
            $hour = rad2deg(acos((sin(deg2rad(-0.8333)) - sin(deg2rad($latitude)) * sin($declination)) / (cos(deg2rad(
                $latitude,
            )) * cos($declination))));
            $midnight = $day->getTimestamp() + $day->getOffset();
            // In universal time, on the day that is meant here.
            $at = $midnight + (720 - 4 * ($longitude + $equation) + $side * 4 * $hour) * 60;
        }

        return $at;
    }

    /** @param list<array<string, mixed>> $occasions */
    private static function evening(array $occasions): Evening
    {
        return new Evening(['occasions' => $occasions]);
    }

    private static function clock(Evening $evening, string $time): void
    {
        $moment = new \DateTimeImmutable($time);
        $evening->rig->junction->setClock(
            $moment->getTimestamp() * 1_000_000_000,
            $evening->rig->nanos(),
            new \DateTimeZone('Europe/Berlin'),
        );
    }

    /**
     * @param list<string> $says OSC addresses that it sends
     * @param array<string, mixed> $fields
     *
     * @return array<string, mixed>
     */
    private static function occasion(string $id, string $at, array $says = [], array $fields = []): array
    {
        $do = array_map(
            static fn(string $address): array => [
                'kind' => 'send',
                'port' => 'tablet',
                'message' => ['kind' => 'osc', 'address' => $address],
            ],
            $says,
        );

        return ['id' => $id, 'name' => ucfirst($id), 'when' => ['kind' => 'time', 'at' => $at], 'do' => $do, ...$fields];
    }

    /**
     * @param list<array{float, OutgoingPacket}> $packets
     *
     * @return list<string> addresses of OSC messages
     */
    private static function sent(array $packets): array
    {
        $osc = array_filter($packets, static fn(array $one): bool => str_starts_with($one[1]->bytes, '/'));

        return array_values(array_map(static fn(array $one): string => explode("\0", $one[1]->bytes)[0], $osc));
    }
}
