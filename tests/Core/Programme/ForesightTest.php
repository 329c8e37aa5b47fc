<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Programme;

use NimbleJunction\Core\Foresight\Foreseen;
use NimbleJunction\Core\Foresight\Foresight;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Programme\PointValue;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Tests\Support\Evening;
use PHPUnit\Framework\TestCase;

/** What a look or a cue would do is seen, and nothing is sent: what is foreseen is what then leaves. */
final class ForesightTest extends TestCase
{
    private const POINTS = ['fixture:a/level', 'fixture:b/level', 'fixture:c/level', 'fixture:h/pan', 'fixture:h/red', 'fixture:h/wheel'];

    public function testItSaysWhatWouldBecomeOfEachPointAndWhy(): void
    {
        $evening = self::evening();
        $evening->rig->artNet([1 => 255, 2 => 0, 5 => 10, 6 => 0, 7 => 9]);
        $evening->set('master:lists', 50);
        $evening->rig->pass(0.0);
        $before = $evening->levels();

        $seen = self::byPoint(self::foresight($evening)->look($evening->rig->junction->plan()->programme->looks['doors']));
        self::assertSame([100.0, 100.0, 60.0, false], self::figures($seen['fixture:a/level']));
        self::assertStringContainsString('highest', $seen['fixture:a/level']->why());
        self::assertSame([0.0, 80.0, 80.0, true], self::figures($seen['fixture:b/level']));
        self::assertSame(25.0, $seen['fixture:h/pan']->wanted());
        self::assertTrue($seen['fixture:h/pan']->isAsWanted(), 'the latest has it');
        self::assertStringContainsString('Look "Doors"', $seen['fixture:h/pan']->why());
        self::assertSame([0.0, 7, 7, true], self::figures($seen['value:open']), 'what is no level is set');

        $cue = self::byPoint(self::foresight($evening)->cue($evening->rig->junction->plan()->programme->lists['walk'], 1));
        self::assertSame(90.0, $cue['fixture:b/level']->wanted());
        self::assertEqualsWithDelta(45.0, $cue['fixture:b/level']->then(), 0.3, 'a master over lists leaves half of it');
        self::assertFalse($cue['fixture:b/level']->isAsWanted());
        self::assertStringContainsString('cue 2', $cue['fixture:b/level']->why());

        $draft = self::byPoint(self::foresight($evening)->values([new PointValue(Reference::parse('group:all/level'), 30)]));
        self::assertSame([0.0, 30.0, 30.0, true], self::figures($draft['fixture:c/level']));
        self::assertSame($before, $evening->levels());
        self::assertSame([], $evening->rig->pass(0.0), 'nothing is sent');
        self::assertSame([0, null], [$evening->read('look:doors/active'), $evening->read('list:walk')]);
    }

    public function testWhatIsHeldStaysAndWhatACueLetsGoFallsBack(): void
    {
        $evening = self::evening();
        $evening->rig->artNet([2 => 51]);
        $evening->rig->junction->hold('palm', [new Hold(0, 128, 'Ada', \PHP_INT_MAX)], $evening->rig->nanos());
        $evening->press('list:walk/go');
        $evening->rig->pass(0.1);
        self::assertSame([128, 255], \array_slice($evening->levels(), 0, 2));
        $seen = self::byPoint(self::foresight($evening)->cue($evening->rig->junction->plan()->programme->lists['walk'], 2));
        self::assertSame(
            [null, 20.0],
            [$seen['fixture:b/level']->wanted(), $seen['fixture:b/level']->then()],
            'let go: the desk has it again',
        );
        self::assertSame(50.0, $seen['fixture:a/level']->then(), 'held by hand');
        self::assertStringContainsString('eld', $seen['fixture:a/level']->why());
    }

    /** Whatever stands, what was foreseen is what is asked for once it has gone. */
    public function testForeseenIsWhatComes(): void
    {
        mt_srand(20261127);
        $compared = 0;
        for ($round = 0; $round < 150; ++$round) {
            $evening = self::evening(mt_rand(0, 1) === 1 ? 'slot' : 'ltp');
            for ($act = mt_rand(0, 6); $act > 0; --$act) {
                self::anyAct($evening);
                $evening->rig->pass(0.05);
            }
            // What fades out is gone by then: foreseen is what stands in the end.
            $evening->rig->pass(3.0);
            $isLook = mt_rand(0, 1) === 1;
            $programme = $evening->rig->junction->plan()->programme;
            $id = ['doors', 'moss', 'dusk'][mt_rand(0, 2)];
            $place = mt_rand(0, 2);
            $foreseen = $isLook
                ? self::foresight($evening)->look($programme->looks[$id])
                : self::foresight($evening)->cue($programme->lists['walk'], $place);
            self::assertNotSame([], $foreseen);
            $isLook ? $evening->set("look:{$id}/active", 0) : null;
            $isLook ? $evening->press("look:{$id}") : $evening->set('list:walk/cue', $place + 1);
            $evening->rig->pass(0.1);
            foreach (self::foresight($evening)->values(array_map(
                static fn(string $point): PointValue => new PointValue(Reference::parse($point), 0),
                self::POINTS,
            )) as $now) {
                $one = self::byPoint($foreseen)[$now->point] ?? null;
                if ($one !== null) {
                    self::assertSame($one->then(), $now->now(), "round {$round}, {$now->point}: {$one->why()}");
                    ++$compared;
                }
            }
        }
        self::assertGreaterThan(200, $compared);
    }

    private static function anyAct(Evening $evening): void
    {
        match (mt_rand(0, 6)) {
            0 => $evening->rig->artNet(array_combine(range(1, 8), array_map(static fn(): int => mt_rand(0, 255), range(1, 8)))),
            1 => $evening->set('look:'.['doors', 'moss', 'dusk'][mt_rand(0, 2)], mt_rand(0, 100)),
            2 => $evening->press('list:walk/go'),
            3 => $evening->set('master:lists', mt_rand(0, 100)),
            4 => $evening->set('master:looks', mt_rand(0, 100)),
            5 => $evening->rig->junction->hold(
                'palm',
                [new Hold(mt_rand(0, 1), mt_rand(0, 255), 'Ada', \PHP_INT_MAX)],
                $evening->rig->nanos(),
            ),
            default => $evening->press('list:walk/release'),
        };
    }

    private static function evening(string $merge = 'slot'): Evening
    {
        $look = static fn(string $id, array $values, array $more = []): array => [
            'id' => $id,
            'name' => ucfirst($id),
            'press' => 'latched',
            'fadeIn' => 0,
            'fadeOut' => 0,
            'values' => Evening::values($values),
            ...$more,
        ];
        $cue = static fn(string $number, array $values): array => [
            'number' => $number,
            'up' => 0,
            'down' => 0,
            'values' => Evening::values($values),
        ];

        return new Evening([
            'values' => [['id' => 'open', 'name' => 'Open', 'type' => 'number']],
            'looks' => [
                $look(
                    'doors',
                    ['fixture:a/level' => 60, 'fixture:b/level' => 80, 'fixture:h/pan' => 25, 'value:open' => 7],
                    ['set' => 'room'],
                ),
                $look('moss', ['fixture:b/level' => 30, 'fixture:c/level' => 70, 'fixture:h/red' => 90], ['set' => 'room']),
                $look('dusk', ['fixture:a/level' => 20, 'fixture:h/pan' => 75, 'fixture:h/wheel' => 50], ['priority' => 120]),
            ],
            'lists' => [['id' => 'walk', 'name' => 'Walk', 'tracking' => false, 'cues' => [
                $cue('1', ['fixture:a/level' => 10, 'fixture:b/level' => 100]),
                $cue('2', ['fixture:b/level' => 90, 'fixture:h/pan' => 60]),
                $cue('3', ['fixture:a/level' => 40, 'fixture:h/red' => 20]),
            ]]],
            'masters' => [
                ['id' => 'lists', 'name' => 'Lists', 'over' => 'lists', 'lists' => ['walk']],
                ['id' => 'looks', 'name' => 'Looks', 'over' => 'looks', 'looks' => ['doors', 'moss']],
            ],
        ], $merge);
    }

    private static function foresight(Evening $evening): Foresight
    {
        $junction = $evening->rig->junction;

        return new Foresight($junction->plan(), $junction->universes(), $junction->programme, $junction->points());
    }

    /**
     * @param list<Foreseen> $foreseen
     *
     * @return array<string, Foreseen>
     */
    private static function byPoint(array $foreseen): array
    {
        return array_combine(array_map(static fn(Foreseen $one): string => $one->point, $foreseen), $foreseen);
    }

    /** @return array{int|float|string|null, int|float|string, int|float|string|null, bool} */
    private static function figures(Foreseen $one): array
    {
        return [$one->now(), $one->then(), $one->wanted(), $one->isAsWanted()];
    }
}
