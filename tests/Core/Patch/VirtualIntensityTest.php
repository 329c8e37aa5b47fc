<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Patch;

use NimbleJunction\Core\Gdtf\FixtureTypes;
use NimbleJunction\Core\Gdtf\FixtureTypeWriter;
use NimbleJunction\Core\Patch\Library;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Fixtures that have only colours have an intensity all the same: the product of both leaves. */
final class VirtualIntensityTest extends TestCase
{
    public function testItScalesEachLightAfterMergingAndIsFullWhileNobodyGivesIt(): void
    {
        $rig = self::rig();
        $rig->artNet([11 => 200, 12 => 101, 13 => 0, 21 => 80]);
        self::assertSame([200, 101, 0], $rig->levelsOf(11, 12, 13));
        self::assertSame(100.0, $rig->junction->points()->read(self::point()));
        self::set($rig, 'route a', 50);
        self::assertSame([100, 51, 0, 80], $rig->levelsOf(11, 12, 13, 21), '200, 101 times one half, and a neighbour as it was');
        self::assertSame(50.0, round((float) $rig->junction->points()->read(self::point()), 2));
        self::assertStringContainsString('Scaled to 50 %, the intensity of Left.', $rig->junction->universes()['palm']->explain(10));
        $rig->artNet([11 => 20, 12 => 101, 13 => 0, 21 => 80]);
        self::assertSame(10, $rig->level(11), 'a desk moves its colour, and it stays at half');
        self::set($rig, 'route a', 0);
        self::assertSame([0, 0], $rig->levelsOf(11, 12));
        self::set($rig, 'route a', 100);
        self::assertSame([20, 101], $rig->levelsOf(11, 12));
    }

    public function testEveryShareOfEveryLevelIsTheRoundedProduct(): void
    {
        $rig = self::rig();
        foreach ([0, 1, 37, 50, 66.6, 99.9, 100] as $share) {
            self::set($rig, 'route a', $share);
            $stored = round(65535 * $share / 100) / 65535;
            foreach ([0, 1, 2, 127, 128, 254, 255] as $level) {
                $rig->artNet([11 => $level]);
                self::assertSame((int) round($level * $stored), $rig->level(11), "{$level} at {$share} %");
            }
        }
    }

    public function testManyLightsAtOnceAreScaledAsEachAloneWouldBe(): void
    {
        $cells = [[
            'id' => 'cell',
            'name' => 'Cell',
            'count' => 12,
            'parameters' => [['name' => 'red', 'role' => 'red'], ['name' => 'blue', 'role' => 'blue']],
        ]];
        $rig = new Rig([
            'profiles' => [['id' => 'bar', 'name' => 'Bar', 'cells' => $cells, 'virtualIntensity' => true]],
            'fixtures' => [
                ['id' => 'left', 'name' => 'Left', 'profile' => 'bar', 'universe' => 'palm', 'first' => 11],
                ['id' => 'right', 'name' => 'Right', 'profile' => 'bar', 'universe' => 'palm', 'first' => 41],
            ],
        ]);
        mt_srand(3);
        foreach (range(1, 40) as $round) {
            $shares = [mt_rand(0, 65535), $round % 2 === 0 ? mt_rand(0, 65535) : 65535];
            $rig->junction->set(self::point(), 100 * $shares[0] / 65535, new Act('route a', 'a'), $rig->nanos());
            $rig->junction->set(self::parse('fixture:right/intensity'), 100 * $shares[1] / 65535, new Act('route a', 'a'), $rig->nanos());
            $levels = array_map(static fn(): int => mt_rand(0, 255), range(1, 100));
            $rig->artNet(array_combine(range(1, 100), $levels));
            foreach ($levels as $i => $level) {
                $share = match (true) {
                    $i >= 10 && $i < 34 => $shares[0] / 65535,
                    $i >= 40 && $i < 64 => $shares[1] / 65535,
                    default => 1.0,
                };
                self::assertSame((int) round($level * $share), $rig->level($i + 1), "round {$round}, slot ".($i + 1));
            }
        }
    }

    public function testAWideLightIsScaledByItsWholeValue(): void
    {
        $rig = self::rig(['parameters' => [['name' => 'red', 'role' => 'red', 'slots' => 2], ['name' => 'speed']]]);
        $rig->artNet([11 => 0x80, 12 => 0x01, 13 => 77]);
        self::set($rig, 'route a', 50);
        self::assertSame([0x40, 0x01, 77], $rig->levelsOf(11, 12, 13), '32,769 becomes 16,385; what is no light stays');
    }

    public function testWhatIsHeldIsAboveItAndScaledByAnIntensityThatIsHeldToo(): void
    {
        $rig = self::rig();
        $rig->artNet([11 => 200, 12 => 100]);
        self::set($rig, 'route a', 50);
        $until = $rig->nanos() + 60_000_000_000;
        $rig->junction->hold('palm', [new Hold(10, 240, 'a', $until)], $rig->nanos());
        self::assertSame([240, 50], $rig->levelsOf(11, 12), 'a hold is above what routes give');
        $rig->junction->hold(
            'palm:intensity',
            [new Hold(10, 0x40, 'a', $until - 30_000_000_000), new Hold(11, 0, 'a', $until - 30_000_000_000)],
            $rig->nanos(),
        );
        self::assertSame([60, 25], $rig->levelsOf(11, 12), 'both are held: a quarter of it');
        self::assertSame(50.0, round((float) $rig->junction->points()->read(self::point()), 2), 'what is asked for is as it was');
        self::assertSame(25.0, round((float) $rig->junction->points()->read(self::point('/leaves')), 2));
        $rig->pass(31.0);
        self::assertSame([240, 50], $rig->levelsOf(11, 12), 'its time is over');
    }

    public function testItGoesAlongWhenTheFixtureMovesAndIsThereAfterARestart(): void
    {
        $rig = self::rig();
        $rig->artNet(array_fill(1, 512, 200));
        self::route($rig);
        self::assertSame(100, $rig->level(11));
        $rig->adopt(self::parts(first: 101) + self::routed());
        self::assertSame([200, 100, 100, 100], $rig->levelsOf(11, 101, 102, 103), 'moved: it is at half there, and nothing where it was');
        $state = json_decode((string) json_encode($rig->junction->rooms()->state($rig->nanos())), true);
        $again = new Rig(self::parts(first: 101) + self::routed());
        self::assertIsArray($state);
        $again->junction->restore($state, $again->nanos());
        $again->artNet(array_fill(1, 512, 200));
        self::assertSame([200, 100], $again->levelsOf(11, 101));
        $again->adopt(self::parts(first: 101));
        self::assertSame(200, $again->level(101), 'the route is gone, and what it gave');
    }

    public function testItGoesAlongIntoAnotherUniverseHeldAndGiven(): void
    {
        $universes = ['universes' => [['id' => 'palm', 'name' => 'Palm House'], ['id' => 'fern', 'name' => 'Fern Gallery']]];
        $rig = new Rig(self::parts() + self::routed() + $universes);
        $rig->junction->press(self::parse('route:half'), new Act('person a', 'a'), $rig->nanos());
        $rig->junction->set(self::parse('fixture:left/red'), 100, new Act('route half', 'half'), $rig->nanos());
        $until = $rig->nanos() + 60_000_000_000;
        $rig->junction->hold('palm:intensity', [new Hold(10, 0x40, 'a', $until), new Hold(11, 0, 'a', $until)], $rig->nanos());
        self::assertSame(64, $rig->level(11), 'held at a quarter');
        $parts = self::parts(first: 201);
        $parts['fixtures'][0]['universe'] = 'fern';
        $rig->adopt($parts + ['routes' => [[...self::routed()['routes'][0], 'do' => [
            ['kind' => 'set', 'point' => 'fixture:left/intensity', 'value' => 50],
            ['kind' => 'set', 'point' => 'fixture:left/red', 'value' => 100],
        ]]]] + $universes);
        self::assertArrayNotHasKey('palm:intensity', $rig->junction->universes());
        self::assertSame(25.0, round((float) $rig->junction->points()->read(self::point('/leaves')), 2), 'it is held there');
        $rig->pass(61.0);
        self::assertSame(
            50.0,
            round((float) $rig->junction->points()->read(self::point('/leaves')), 2),
            'and given as before when that is over',
        );
    }

    public function testARouteWaitsForItAndAGroupHasIt(): void
    {
        $rig = new Rig([...self::parts(), 'groups' => [['id' => 'all', 'name' => 'All', 'members' => ['left']]]]);
        $rig->artNet([11 => 200]);
        self::assertSame('', $rig->junction->set(self::parse('group:all/intensity'), 25, new Act('route a', 'a'), $rig->nanos())[0]);
        self::assertSame(50, $rig->level(11));
        self::assertSame(['palm:intensity', [10, 11]], $rig->junction->points()->slots(self::point()));
        self::assertSame('Left, intensity', $rig->junction->plan()->patch->saidOfRun('palm:intensity', 11, 12, 'slots'));
        self::assertSame('Left, intensity', $rig->junction->points()->describe(self::point())?->name);
    }

    public function testLightItIsSeenHoweverDarkAndBackAsItWas(): void
    {
        $rig = self::rig();
        $rig->artNet([11 => 9]);
        self::set($rig, 'route a', 0);
        $rig->junction->set(self::parse('light:left'), 1, new Act('person a', 'a'), $rig->nanos());
        self::assertSame([255, 255, 255], $rig->levelsOf(11, 12, 13));
        $rig->junction->set(self::parse('light:left'), 0, new Act('person a', 'a'), $rig->nanos());
        self::assertSame([0, 0, 0], $rig->levelsOf(11, 12, 13));
        self::set($rig, 'route a', 100);
        self::assertSame(9, $rig->level(11));
    }

    public function testTwoThatShareTheirSlotsAreScaledOnce(): void
    {
        $parts = self::parts();
        $parts['fixtures'][] = [...$parts['fixtures'][0], 'id' => 'twin', 'name' => 'Twin', 'sharesWith' => ['left']];
        $rig = new Rig($parts);
        $rig->artNet([11 => 200]);
        self::set($rig, 'route a', 50);
        self::assertSame(100, $rig->level(11));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function others(): iterable
    {
        yield 'no lights' => [['parameters' => [['name' => 'pan', 'role' => 'pan']]], 'it has no lights that could be scaled'];
        yield 'a level of its own' => [
            ['parameters' => [['name' => 'level', 'role' => 'dimmer'], ['name' => 'red', 'role' => 'red']]],
            'it has an intensity of its own',
        ];
        yield 'the name is taken' => [
            ['parameters' => [['name' => 'intensity'], ['name' => 'red', 'role' => 'red']]],
            'it has an intensity of its own',
        ];
    }

    /** @param array<string, mixed> $profile */
    #[DataProvider('others')]
    public function testOnlyWhereThereIsNone(array $profile, string $words): void
    {
        $this->expectException(ShowRefused::class);
        $this->expectExceptionMessage($words);
        self::rig($profile);
    }

    /** GDTF has virtual dimmers as channels without an offset: DIN SPEC 15800, "Offset ... None"; from memory. */
    public function testAsAFixtureTypeAndBack(): void
    {
        $profile = ShowReader::fromArray([...Rig::document(), ...self::parts()])->profiles['rgb'];
        $xml = FixtureTypeWriter::xml($profile);
        self::assertStringContainsString('Offset="None"', $xml);
        $taken = FixtureTypes::fromXml($xml);
        self::assertSame([], $taken->left);
        self::assertTrue($taken->profile['virtualIntensity'] ?? null);
    }

    /** @param array<string, mixed> $profile */
    private static function rig(array $profile = []): Rig
    {
        return new Rig(self::parts($profile));
    }

    /**
     * @param array<string, mixed> $profile
     *
     * @return array{profiles: list<array<string, mixed>>, fixtures: list<array<string, mixed>>}
     */
    private static function parts(array $profile = [], int $first = 11): array
    {
        return [
            'profiles' => [array_replace(Library::all()[1], $profile)],
            'fixtures' => [['id' => 'left', 'name' => 'Left', 'profile' => 'rgb', 'universe' => 'palm', 'first' => $first]],
        ];
    }

    /** @return array<string, mixed> */
    private static function routed(): array
    {
        return ['routes' => [[
            'id' => 'half',
            'name' => 'Half',
            'when' => [['kind' => 'started']],
            'do' => [['kind' => 'set', 'point' => 'fixture:left/intensity', 'value' => 50]],
        ]]];
    }

    private static function route(Rig $rig): void
    {
        $rig->adopt(self::parts() + self::routed());
        self::assertSame('', $rig->junction->press(self::parse('route:half'), new Act('person a', 'a'), $rig->nanos())[0]);
    }

    private static function point(string $more = ''): Reference
    {
        return self::parse("fixture:left/intensity{$more}");
    }

    private static function parse(string $text): Reference
    {
        return Reference::parse($text) ?? throw new \LogicException('it is one');
    }

    private static function set(Rig $rig, string $owner, float $value): void
    {
        self::assertSame('', $rig->junction->set(self::point(), $value, new Act($owner, $owner), $rig->nanos())[0]);
    }
}
