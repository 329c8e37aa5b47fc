<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use NimbleJunction\Core\Timetable\Kind\AtSun;
use NimbleJunction\Core\Timetable\Kind\AtTime;
use NimbleJunction\Core\Timetable\Occasion;
use NimbleJunction\Tests\Support\Evening;
use PHPUnit\Framework\TestCase;

/** The timetable at its edges: midnight, leap days, clocks that are set, another zone, restarts; and the sun over a year. */
final class TimetableEdgesTest extends TestCase
{
    private const SECOND = 1_000_000_000;

    public function testMidnightBelongsToTheDayThatBegins(): void
    {
        $zone = new \DateTimeZone('Europe/Berlin');
        $occasion = new Occasion('m', 'M', when: new AtTime('00:00'), days: ['sat']);
        $next = $occasion->next(self::unix('2026-11-27T23:59:59+01:00'), $zone);
        self::assertSame(self::unix('2026-11-28T00:00:00+01:00'), $next);
        self::assertSame(self::unix('2026-12-05T00:00:00+01:00'), $occasion->next((int) $next, $zone), 'and not again at once');
        $last = new Occasion('l', 'L', when: new AtTime('23:59:59'), until: '2026-11-27');
        self::assertSame(self::unix('2026-11-27T23:59:59+01:00'), $last->next(self::unix('2026-11-27T12:00:00+01:00'), $zone));
        self::assertNull($last->next(self::unix('2026-11-27T23:59:59+01:00'), $zone));
    }

    public function testALeapDayAndTheTurnOfAYear(): void
    {
        $zone = new \DateTimeZone('UTC');
        $leap = new Occasion('l', 'L', when: new AtTime('12:00'), from: '2028-02-29', until: '2028-02-29');
        self::assertSame(self::unix('2028-02-29T12:00:00Z'), $leap->next(self::unix('2027-06-01T00:00:00Z'), $zone));
        $season = new Occasion('s', 'S', when: new AtTime('18:00'), except: ['2026-12-30/2027-01-02']);
        self::assertSame(self::unix('2026-12-29T18:00:00Z'), $season->next(self::unix('2026-12-29T17:00:00Z'), $zone));
        self::assertSame(self::unix('2027-01-03T18:00:00Z'), $season->next(self::unix('2026-12-29T18:00:00Z'), $zone));
    }

    public function testEveryOccasionOfAYearComesOnceInItsOrder(): void
    {
        mt_srand(3);
        $zone = new \DateTimeZone('Europe/Berlin');
        for ($i = 0; $i < 20; ++$i) {
            $days = array_values(array_filter(array_keys(Occasion::DAYS), static fn(): bool => mt_rand(0, 1) === 1));
            $time = \sprintf('%02d:%02d:%02d', mt_rand(0, 23), mt_rand(0, 59), mt_rand(0, 59));
            $occasion = new Occasion('o', 'O', when: new AtTime($time), days: $days);
            $found = [];
            $end = self::unix('2027-12-31T23:59:59+01:00');
            for ($at = $occasion->next(
                self::unix('2026-12-31T23:59:59+01:00'),
                $zone,
            ); $at !== null && $at <= $end; $at = $occasion->next($at, $zone)) {
                $found[] = (new \DateTimeImmutable("@{$at}"))->setTimezone($zone)->format('Y-m-d D');
            }
            // Counted by the calendar alone.
            $expected = [];
            for ($day = new \DateTimeImmutable('2027-01-01', $zone); $day->format('Y') === '2027'; $day = $day->modify('+1 day')) {
                if ($days === [] || \in_array(strtolower($day->format('D')), $days, true)) {
                    $expected[] = $day->format('Y-m-d D');
                }
            }
            self::assertSame($expected, $found, "{$time} on ".implode(' ', $days));
        }
    }

    public function testTheSunComesLaterEachDayOfAutumnAndTwilightLiesBeforeIt(): void
    {
        $zone = new \DateTimeZone('Europe/Berlin');
        $before = 0;
        for ($day = new \DateTimeImmutable('2026-09-01', $zone); $day->format('m') !== '12'; $day = $day->modify('+1 day')) {
            $rises = (int) (new AtSun('sunrise', 52.5, 13.4))->on($day);
            $dawn = (int) (new AtSun('dawn', 52.5, 13.4))->on($day);
            $sets = (int) (new AtSun('sunset', 52.5, 13.4))->on($day);
            $dusk = (int) (new AtSun('dusk', 52.5, 13.4))->on($day);
            $clock = $rises - (int) $day->getTimestamp();
            self::assertTrue(
                $before === 0 || $clock > $before || $day->format('m-d') === '10-25' || $day->format('m-d') === '10-26',
                $day->format('c'),
            );
            self::assertTrue($dawn < $rises && $rises < $sets && $sets < $dusk, $day->format('c'));
            // Civil twilight lasts 30 to 45 minutes there.
            self::assertTrue(
                $rises - $dawn > 1800 && $rises - $dawn < 2700 && $dusk - $sets > 1800 && $dusk - $sets < 2700,
                $day->format('c'),
            );
            $before = $clock;
        }
        self::assertNull(
            (new AtSun('sunrise', 78.2, 15.6))->on(new \DateTimeImmutable('2026-12-21', $zone)),
            'in Svalbard it does not rise',
        );
    }

    public function testAClockThatIsSetBackALittleLetsNothingComeTwiceAndAWrongOneIsForgotten(): void
    {
        $evening = self::evening([self::occasion('one', '12:00:10')]);
        // Before its clock is put right the machine thinks that it is years later.
        self::clock($evening, '2031-01-01T12:00:00+01:00');
        $evening->rig->pass(15);
        self::assertSame(1.0, (float) $evening->read('value:count'));
        self::clock($evening, '2026-11-27T12:00:05+01:00');
        self::assertSame('2026-11-27 12:00:10', $evening->read('occasion:one/at'));
        $evening->rig->pass(15);
        self::assertSame(2.0, (float) $evening->read('value:count'));
        self::clock($evening, '2026-11-27T11:30:00+01:00');
        $evening->rig->pass(3600);
        self::assertSame(2.0, (float) $evening->read('value:count'), 'half an hour back is no other day');
        self::clock($evening, '2026-11-28T12:00:00+01:00');
        $evening->rig->pass(15);
        self::assertSame(3.0, (float) $evening->read('value:count'));
    }

    public function testWhatFallsIntoARestartOfSecondsComesAndIsNotMissed(): void
    {
        $evening = self::evening([self::occasion('one', '12:00:10')]);
        self::clock($evening, '2026-11-27T12:00:00+01:00');
        $evening->press('occasion:one/enabled');
        $evening->press('occasion:one/enabled');
        $again = $evening->restarted(20.0);
        self::clock($again, '2026-11-27T12:00:20+01:00');
        $again->rig->pass(0.1);
        self::assertSame(1.0, (float) $again->read('value:count'));
        $again->rig->pass(60);
        self::assertSame(1.0, (float) $again->read('value:count'), 'once');
    }

    public function testAClockThatIsToldJustAsSomethingIsDueMissesNothing(): void
    {
        $evening = self::evening([['missed' => 'skip'] + self::occasion('one', '12:10')]);
        self::clock($evening, '2026-11-27T12:00:00+01:00');
        $evening->rig->pass(595);
        // Busy with something else for as long as that: the clock is told again before anybody has looked what is due.
        $evening->rig->now += 5.01;
        self::clock($evening, '2026-11-27T12:10:00+01:00');
        $evening->rig->pass(30);
        self::assertSame(1.0, (float) $evening->read('value:count'));
    }

    public function testWhatIsSwitchedOnAfterItsMomentWaitsForTheNext(): void
    {
        $evening = self::evening([self::occasion('one', '12:00:10')]);
        self::clock($evening, '2026-11-27T12:00:00+01:00');
        $evening->press('occasion:one/enabled');
        $evening->rig->pass(60);
        $evening->press('occasion:one/enabled');
        self::assertSame('2026-11-28 12:00:10', $evening->read('occasion:one/at'));
        $evening->rig->pass(60);
        self::assertSame(0.0, (float) $evening->read('value:count'), 'nothing happens as it is switched');
    }

    public function testWhatIsWrittenAfterItsMomentWaitsForTheNext(): void
    {
        $evening = self::evening([]);
        self::clock($evening, '2026-11-27T12:00:00+01:00');
        $evening->rig->pass(60);
        $evening->rig->adopt([...$evening->rig->document, 'occasions' => [self::occasion('one', '12:00:30')]]);
        $evening->rig->pass(60);
        self::assertSame(0.0, (float) $evening->read('value:count'), 'nothing happens as it is written');
        self::assertSame('2026-11-28 12:00:30', $evening->read('occasion:one/at'));
    }

    public function testAnotherZoneIsAnotherTime(): void
    {
        $evening = self::evening([self::occasion('one', '12:00')]);
        self::clock($evening, '2026-11-27T08:00:00+01:00');
        self::assertSame('2026-11-27 12:00:00', $evening->read('occasion:one/at'));
        self::assertSame(4 * 3600, $evening->read('occasion:one/in'));
        self::clock($evening, '2026-11-27T08:00:00+01:00', 'America/New_York');
        self::assertSame(10 * 3600, $evening->read('occasion:one/in'), 'noon there is six hours later');
    }

    public function testWhatWasSwitchedOffIsOffAfterARestart(): void
    {
        $evening = self::evening([self::occasion('one', '12:00:10'), self::occasion('two', '12:00:20')]);
        self::clock($evening, '2026-11-27T12:00:00+01:00');
        $evening->press('occasion:one/enabled');
        $again = $evening->restarted(5.0);
        self::clock($again, '2026-11-27T12:00:05+01:00');
        self::assertSame(
            [0, 1, 'Two'],
            [$again->read('occasion:one/enabled'), $again->read('occasion:two/enabled'), $again->read('timetable:next')],
        );
        $again->rig->pass(20);
        self::assertSame(1.0, (float) $again->read('value:count'));
        $again->press('occasion:one/enabled');
        self::assertSame('2026-11-28 12:00:10', $again->read('occasion:one/at'), 'switched on again it comes the next time');
    }

    private static function unix(string $time): int
    {
        return (new \DateTimeImmutable($time))->getTimestamp();
    }

    private static function clock(Evening $evening, string $time, string $zone = 'Europe/Berlin'): void
    {
        $evening->rig->junction->setClock(self::unix($time) * self::SECOND, $evening->rig->nanos(), new \DateTimeZone($zone));
    }

    /** @param list<array<string, mixed>> $occasions each counts */
    private static function evening(array $occasions): Evening
    {
        return new Evening([
            'values' => [['id' => 'count', 'name' => 'Count', 'type' => 'number', 'low' => 0, 'high' => 100]],
            'routes' => [['id' => 'more', 'name' => 'More', 'when' => [['kind' => 'osc', 'port' => 'tablet', 'address' => '/more']], 'steps' => [['kind' => 'counter', 'low' => 1, 'high' => 100]], 'do' => [['kind' => 'set', 'point' => 'value:count']]]],
            'occasions' => $occasions,
        ]);
    }

    /** @return array<string, mixed> */
    private static function occasion(string $id, string $at): array
    {
        return [
            'id' => $id,
            'name' => ucfirst($id),
            'when' => ['kind' => 'time', 'at' => $at],
            'do' => [['kind' => 'press', 'point' => 'route:more']],
        ];
    }
}
