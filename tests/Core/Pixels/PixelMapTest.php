<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Pixels;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Pixel maps in a show: counted, named, shown in the patch, set and held by name, and a dot that runs along the line. */
final class PixelMapTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function counts(): iterable
    {
        yield 'split' => [
            ['layout' => ['kind' => 'line', 'count' => 682], 'split' => true, 'universes' => ['palm', 'fern', 'c', 'd']],
            '682 pixels, 4 universes, 2,046 of 2,048 slots',
        ];
        yield 'whole' => [
            ['layout' => ['kind' => 'rectangle', 'columns' => 17, 'rows' => 10], 'universes' => ['palm']],
            '170 pixels, 1 universe, 510 of 512 slots',
        ];
        yield 'white' => [['layout' => ['kind' => 'line', 'count' => 1], 'order' => 'w', 'universes' => ['palm']], '1 pixel, 1 universe, 1 of 512 slots'];
    }

    /** @param array<string, mixed> $map */
    #[DataProvider('counts')]
    public function testCounts(array $map, string $words): void
    {
        self::assertSame($words, self::show($map)->pixels()->maps['wall']->counts());
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        yield 'too few universes' => [['layout' => ['kind' => 'line', 'count' => 171]], '/pixels/0/universes: 171 pixels take 2, and 1 is named. Name 2 universes'];
        yield 'no such universe' => [['universes' => ['moon']], '/pixels/0/universes/0: there is no universe "moon"'];
        yield 'one twice' => [['universes' => ['palm', 'palm']], '/pixels/0/universes: one is named twice'];
        yield 'both ways' => [['split' => true, 'perUniverse' => 50], '/pixels/0/perUniverse: they are split across universes as well'];
        yield 'too many' => [['layout' => ['kind' => 'rectangle', 'columns' => 512, 'rows' => 512]], 'these are 262144 pixels'];
        yield 'a place that is none' => [['layout' => ['kind' => 'table', 'pixels' => ['1;2']]], '/pixels/0/layout/pixels/0: it is "1;2"'];
        yield 'no shape of ours' => [['layout' => ['kind' => 'heart']], '/pixels/0/layout/kind'];
        yield 'nobody to share with' => [['sharesWith' => ['x']], '/pixels/0/sharesWith/0: there is no fixture, no pixel map and no offer "x"'];
    }

    /** @param array<string, mixed> $map */
    #[DataProvider('refused')]
    public function testWhatIsRefused(array $map, string $words): void
    {
        $this->expectException(ShowRefused::class);
        $this->expectExceptionMessage($words);
        self::show($map);
    }

    public function testThePatchKnowsWhoseSlotsTheseAre(): void
    {
        $show = self::show(['order' => 'grb', 'first' => 11]);
        $patch = $show->patch();
        self::assertSame('Pond wall, pixel 2 red (slot 15)', $patch->said('palm', 15, 'slot 15'));
        self::assertSame('slot 10', $patch->said('palm', 10, 'slot 10'));
        self::assertSame('slot 35', $patch->said('palm', 35, 'slot 35'), 'eight pixels end at 34');
        self::assertSame(35, $patch->nextFree('palm', 3));
        self::assertSame("\xFF", $patch->latest('palm')[10]);
        [$run] = $show->pixels()->of('wall');
        self::assertSame([[11, 1, 0]], $run->stretches());
    }

    public function testAFixtureOnItsSlotsIsAnOverlapOnBothSides(): void
    {
        $fixture = ['id' => 'lamp', 'name' => 'Lamp', 'profile' => 'one', 'universe' => 'palm', 'first' => 24];
        $profile = ['id' => 'one', 'name' => 'One', 'parameters' => [['name' => 'level']]];
        $more = ['fixtures' => [$fixture], 'profiles' => [$profile]];
        $patch = self::show([], $more)->patch();
        self::assertSame(['Pond wall'], array_column($patch->sharing($patch->fixtures['lamp']), 'name'));
        self::assertSame(['Lamp'], array_column($patch->sharing($patch->runsIn('palm')[0]->fixture()), 'name'));
        self::assertSame([], self::show(['first' => 25], $more)->patch()->sharing($patch->fixtures['lamp']));
    }

    public function testColoursOfOneAndOfAllAreSetByRoutesAndGoAlongWhenTheMapIsWiredAnew(): void
    {
        $rig = self::rig([], self::routed());
        $rig->junction->press(self::parse('route:red'), new Act('person a', 'a'), $rig->nanos());
        self::assertSame([255, 0, 0, 255, 128], $rig->levelsOf(1, 2, 3, 4, 5), 'red of all, and green of the second at half');
        self::assertSame(100.0, $rig->junction->points()->read(self::parse('pixels:wall/red')));
        self::assertNull($rig->junction->points()->read(self::parse('pixels:wall/green')), 'they differ');
        self::assertSame('Pond wall, pixel 2 green', $rig->junction->points()->describe(self::parse('pixels:wall/2/green'))?->name);
        self::assertNull($rig->junction->points()->describe(self::parse('pixels:wall/9/red')), 'there are eight');
        self::assertNull($rig->junction->points()->describe(self::parse('pixels:wall/2/amber')));
        $rig->adopt(self::parts(['order' => 'grb', 'first' => 101]) + self::routed());
        self::assertSame([0, 0, 0, 0, 255, 0, 128, 255], $rig->levelsOf(1, 4, 5, 100, 102, 101, 104, 105), 'moved, and in another order');
    }

    public function testTheDotIsAloneAndLeavesEverythingAsItWas(): void
    {
        $rig = self::rig(['first' => 2]);
        $rig->artNet([1 => 77, 2 => 10, 3 => 20, 4 => 30, 30 => 66]);
        $rig->junction->hold('palm', [new Hold(2, 99, 'somebody', $rig->nanos() + 900_000_000_000)], $rig->nanos());
        $before = $rig->junction->universes()['palm']->levels;
        self::assertSame('', self::set($rig, 'dot:wall', 2));
        self::assertSame([77, 0, 0, 0, 255, 255, 255, 0, 66], $rig->levelsOf(1, 2, 3, 4, 5, 6, 7, 8, 30));
        self::assertSame(2, $rig->junction->points()->read(self::parse('dot:wall')));
        $rig->junction->press(self::parse('dot:wall'), new Act('person a', 'a'), $rig->nanos());
        self::assertSame([0, 255], $rig->levelsOf(5, 8));
        self::set($rig, 'dot:wall', 8);
        $rig->junction->press(self::parse('dot:wall'), new Act('person a', 'a'), $rig->nanos());
        self::assertSame(1, $rig->junction->points()->read(self::parse('dot:wall')), 'after the last one comes the first');
        self::set($rig, 'dot:wall', 0);
        self::assertSame($before, $rig->junction->universes()['palm']->levels);
        self::assertSame(0, $rig->junction->points()->read(self::parse('dot:wall')));
        self::assertStringContainsString('1 to 8', self::set($rig, 'dot:wall', 9));
    }

    public function testItRunsAtItsSpeedAndEndsByItself(): void
    {
        $rig = self::rig();
        self::set($rig, 'dot:wall/speed', 2);
        $seen = [];
        for ($step = 0; $step < 10; ++$step) {
            $seen[] = $rig->junction->points()->read(self::parse('dot:wall'));
            $rig->pass(0.5);
        }
        self::assertSame([1, 2, 3, 4, 5, 6, 7, 8, 1, 2], $seen);
        self::set($rig, 'dot:wall/speed', 0);
        $rig->pass(3.0);
        self::assertSame(3, $rig->junction->points()->read(self::parse('dot:wall')), 'it stands');
        self::set($rig, 'dot:wall/speed', 50);
        $rig->pass(601.0);
        self::assertSame(0, $rig->junction->points()->read(self::parse('dot:wall')));
        self::assertSame(0, $rig->level(1), 'nobody holds it any more');
        self::assertStringContainsString('0 to 50', self::set($rig, 'dot:wall/speed', 51));
    }

    public function testTheDotRunsThroughUniversesAndOutlivesARestart(): void
    {
        $map = ['layout' => ['kind' => 'line', 'count' => 171], 'split' => true, 'universes' => ['palm', 'fern']];
        $rig = self::rig($map);
        self::set($rig, 'dot:wall', 171);
        $levels = static fn(Rig $rig, string $universe): string => $rig->junction->universes()[$universe]->levels;
        self::assertSame("\0\xFF\xFF", substr($levels($rig, 'palm'), 509));
        self::assertSame("\xFF\0", substr($levels($rig, 'fern'), 0, 2));
        $state = json_decode((string) json_encode($rig->junction->rooms()->state($rig->nanos())), true);
        $again = self::rig($map);
        self::assertIsArray($state);
        $again->junction->restore($state, $again->nanos());
        self::assertSame(171, $again->junction->points()->read(self::parse('dot:wall')));
        self::set($again, 'dot:wall', 0);
        self::assertSame(str_repeat("\0", 512), $levels($again, 'palm').substr($levels($again, 'fern'), 512));
    }

    /**
     * @param array<string, mixed> $map
     * @param array<string, mixed> $more
     */
    private static function show(array $map, array $more = []): Show
    {
        return ShowReader::fromArray([...Rig::document(), ...self::parts($map), ...$more]);
    }

    /**
     * @param array<string, mixed> $map
     * @param array<string, mixed> $more
     */
    private static function rig(array $map = [], array $more = []): Rig
    {
        return new Rig(self::parts($map) + $more);
    }

    /**
     * @param array<string, mixed> $map
     *
     * @return array<string, mixed>
     */
    private static function parts(array $map = []): array
    {
        return [
            'universes' => [
                ['id' => 'palm', 'name' => 'Palm House'],
                ['id' => 'fern', 'name' => 'Fern Gallery'],
                ['id' => 'c', 'name' => 'C'],
                ['id' => 'd', 'name' => 'D'],
            ],
            'pixels' => [array_replace([
                'id' => 'wall',
                'name' => 'Pond wall',
                'layout' => ['kind' => 'rectangle', 'columns' => 4, 'rows' => 2],
                'universes' => ['palm'],
            ], $map)],
        ];
    }

    /** @return array<string, mixed> */
    private static function routed(): array
    {
        return ['routes' => [[
            'id' => 'red',
            'name' => 'Red',
            'when' => [['kind' => 'started']],
            'do' => [
                ['kind' => 'set', 'point' => 'pixels:wall/red', 'value' => 100],
                ['kind' => 'set', 'point' => 'pixels:wall/2/green', 'value' => 50],
            ],
        ]]];
    }

    private static function parse(string $text): Reference
    {
        return Reference::parse($text) ?? throw new \LogicException('it is one');
    }

    private static function set(Rig $rig, string $point, float $value): string
    {
        return $rig->junction->set(self::parse($point), $value, new Act('person a', 'a'), $rig->nanos())[0];
    }
}
