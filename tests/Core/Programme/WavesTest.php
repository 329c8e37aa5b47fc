<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Programme;

use NimbleJunction\Core\Programme\Wave\Figure;
use NimbleJunction\Core\Programme\Wave\Shape;
use NimbleJunction\Core\Programme\Wave\Spread;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Tests\Support\Evening;
use PHPUnit\Framework\TestCase;

/** Waves against their closed forms. */
final class WavesTest extends TestCase
{
    public function testShapesAgainstTheirClosedForms(): void
    {
        $forms = [
            'sine' => static fn(float $x): float => sin(2 * M_PI * $x),
            'triangle' => static fn(float $x): float => 2 / M_PI * asin(sin(2 * M_PI * $x)),
            'ramp-up' => static fn(float $x): float => 2 * fmod($x, 1) - 1,
            'ramp-down' => static fn(float $x): float => 1 - 2 * fmod($x, 1),
            'square' => static fn(float $x): float => fmod($x, 1) < 0.3 ? 1.0 : -1.0,
        ];
        foreach ($forms as $shape => $form) {
            for ($x = 0.0005; $x < 3; $x += 0.00173) {
                self::assertEqualsWithDelta($form($x), Shape::from($shape)->at($x, 0.3), 1e-9, "{$shape} at {$x}");
            }
        }
        self::assertEqualsWithDelta(
            [-1.0, 0.0, 1.0, 0.0],
            array_map(static fn(float $x): float => Shape::Drawn->at($x, points: [0, 100]), [0.0, 0.25, 0.5, 0.75]),
            1e-12,
        );
    }

    public function testRandomOnesRepeatByTheirSeedAndFillTheirRange(): void
    {
        $steps = static fn(int $seed): array => array_map(
            static fn(int $turn): float => Shape::Steps->at($turn + 0.5, 0.5, $seed),
            range(0, 1999),
        );
        self::assertSame($steps(7), $steps(7));
        self::assertNotSame($steps(7), $steps(8));
        self::assertEqualsWithDelta(0.0, array_sum($steps(7)) / 2000, 0.05);
        self::assertSame([true, true], [min($steps(7)) < -0.98, max($steps(7)) > 0.98]);
        for ($x = 0.0; $x < 20; $x += 0.01) {
            self::assertLessThan(0.07, abs(Shape::Smooth->at($x + 0.01, 0.5, 3) - Shape::Smooth->at($x, 0.5, 3)), 'no step');
        }
        self::assertEqualsWithDelta(Shape::Steps->at(4.0, 0.5, 3), Shape::Smooth->at(4.0, 0.5, 3), 1e-12);
    }

    public function testSpreads(): void
    {
        $of = static fn(Spread $spread): array => array_map(static fn(int $i): float => round($spread->share($i, 4, 1), 4), range(0, 3));
        self::assertSame([0.0, 0.25, 0.5, 0.75], $of(Spread::Order));
        self::assertSame([0.75, 0.25, 0.25, 0.75], $of(Spread::Middle));
        self::assertSame([0.0, 0.5, 0.5, 0.0], $of(Spread::Mirrored));
        $random = $of(Spread::Random);
        sort($random);
        self::assertSame([0.0, 0.25, 0.5, 0.75], $random, 'each place once');
        self::assertSame(0.0, Spread::Order->share(0, 1, 1));
    }

    public function testItIsAddedToWhatIsThereInSixteenBitsAndSaysSo(): void
    {
        $evening = self::with(['on' => [['point' => 'fixture:c/level'], ['point' => 'fixture:h/pan']], 'size' => 10, 'rate' => 0.25]);
        $evening->rig->artNet([3 => 128, 5 => 100]);
        self::assertSame('', $evening->set('wave:breath', 1));
        $begin = $evening->rig->nanos();
        foreach (range(1, 6) as $i) {
            $evening->rig->pass(0.5);
            $share = 0.1 * sin(2 * M_PI * 0.25 * ($evening->rig->nanos() - $begin) / 1e9);
            self::assertEqualsWithDelta(32768 + 65535 * $share, $evening->levels()[2] * 256 + $evening->levels()[3], 65535 * 0.1 * 0.04);
            self::assertEqualsWithDelta(25600 + 65535 * $share, $evening->levels()[4] * 256 + $evening->levels()[5], 65535 * 0.1 * 0.04);
        }
        self::assertStringContainsString('by wave "Breath"', $evening->rig->junction->universes()['palm']->explain(2));
        $evening->rig->artNet([3 => 255, 4 => 255, 5 => 100]);
        $evening->rig->pass(1.5);
        self::assertSame(255, $evening->levels()[2], 'nothing outside its range');
        $evening->press('wave:breath');
        self::assertSame([255, 255, 100, 0], \array_slice($evening->levels(), 2, 4), 'it leaves nothing behind');
    }

    public function testItMultipliesAndIsInPlaceOfWhatIsThere(): void
    {
        $evening = self::with([
            'on' => [['point' => 'fixture:a/level']],
            'mode' => 'multiply',
            'shape' => 'square',
            'centre' => 50,
            'size' => 50,
            'rate' => 1,
        ]);
        $evening->rig->artNet([1 => 200]);
        $evening->set('wave:breath', 1);
        $evening->rig->pass(0.25);
        self::assertSame(200, $evening->levels()[0]);
        $evening->rig->pass(0.5);
        self::assertSame(0, $evening->levels()[0]);
        $instead = self::with(
            ['on' => [['point' => 'fixture:a/level'], ['point' => 'fixture:h/pan']], 'mode' => 'replace', 'shape' => 'ramp-up', 'centre' => 50, 'size' => 50, 'rate' => 0.1],
            ['masters' => [['id' => 'own', 'name' => 'Own', 'over' => 'programme']]],
        );
        $instead->rig->artNet([1 => 100, 5 => 7]);
        $instead->set('wave:breath', 1);
        $instead->rig->pass(7.5);
        self::assertEqualsWithDelta(191, $instead->levels()[0], 2);
        self::assertEqualsWithDelta(191, $instead->levels()[4], 2);
        $instead->set('master:own', 50);
        $instead->rig->pass(0.05);
        self::assertSame(100, $instead->levels()[0], 'below the desk: the highest has it');
        $instead->set('wave:breath', 0);
        self::assertSame([100, 7], [$instead->levels()[0], $instead->levels()[4]]);
    }

    public function testItIsSpreadOverAGroupInItsOrder(): void
    {
        $evening = self::with([
            'on' => [['point' => 'group:all/level']],
            'mode' => 'replace',
            'shape' => 'ramp-up',
            'centre' => 50,
            'size' => 50,
            'rate' => 0,
            'offset' => 360,
            'phase' => 180,
        ]);
        $evening->set('wave:breath', 1);
        $evening->rig->pass(0.1);
        // Half a turn ahead; the second is a third of a turn behind, the third two thirds.
        self::assertSame([128, 43], \array_slice($evening->levels(), 0, 2));
        self::assertEqualsWithDelta(65535 * 5 / 6, $evening->levels()[2] * 256 + $evening->levels()[3], 2);
    }

    public function testItMovesMastersLooksAndOtherWavesAndTheirBaseStays(): void
    {
        $evening = new Evening([
            'looks' => [['id' => 'doors', 'name' => 'Doors', 'fadeIn' => 0, 'values' => Evening::values(['fixture:b/level' => 100])]],
            'masters' => [['id' => 'm', 'name' => 'M', 'over' => 'fixtures', 'fixtures' => ['a']]],
            'waves' => [
                ['id' => 'outer', 'name' => 'Outer', 'shape' => 'square', 'size' => 50, 'rate' => 1, 'on' => [['point' => 'wave:breath/size']]],
                ['id' => 'breath', 'name' => 'Breath', 'shape' => 'square', 'centre' => -30, 'size' => 0, 'rate' => 0, 'on' => [['point' => 'master:m'], ['point' => 'look:doors']]],
            ],
        ]);
        $evening->rig->artNet([1 => 200]);
        $evening->press('look:doors');
        $evening->set('master:m', 80);
        $evening->set('wave:breath', 1);
        $evening->rig->pass(0.1);
        self::assertSame(
            [100, 179, 80.0, 100.0],
            [$evening->levels()[0], $evening->levels()[1], $evening->read('master:m'), $evening->read('look:doors')],
        );
        $evening->set('wave:outer', 1);
        $evening->rig->pass(0.25);
        // Its size is 50 as long as the outer one is up: 80 − 30 + 50 is full.
        self::assertSame([200, 255], [$evening->levels()[0], $evening->levels()[1]]);
        $evening->set('wave:breath', 0);
        $evening->rig->pass(0.1);
        self::assertSame([160, 255], [$evening->levels()[0], $evening->levels()[1]]);
    }

    /**
     * One after the other in the order of the show: 80 % × 50 % is 40 %, and 10 % more is 50 %; in place of it all is what the wave
     * says.
     */
    public function testMastersAreMultipliedTooAndWavesStandInPlaceOfTheirLevel(): void
    {
        $wave = static fn(string $id, string $mode, float $centre): array => [
            'id' => $id, 'name' => $id, 'mode' => $mode, 'centre' => $centre, 'size' => 0, 'rate' => 0, 'on' => [['point' => 'master:m']],
        ];
        $evening = new Evening([
            'masters' => [['id' => 'm', 'name' => 'M', 'over' => 'fixtures', 'fixtures' => ['a']]],
            'waves' => [
                $wave('half', 'multiply', 50), $wave('more', 'add', 10), $wave('instead', 'replace', 75),
                ['on' => [['point' => 'wave:fast/rate']]] + $wave('quick', 'multiply', 200),
                ['id' => 'fast', 'name' => 'Fast', 'shape' => 'ramp-up', 'mode' => 'replace', 'centre' => 50, 'size' => 50, 'rate' => 0.25, 'on' => [['point' => 'slot:palm/100']]],
            ],
        ]);
        $evening->rig->artNet([1 => 200]);
        $evening->set('master:m', 80);
        foreach (['half' => 80, 'more' => 100, 'instead' => 150] as $id => $level) {
            $evening->set("wave:{$id}", 1);
            $evening->rig->pass(0.05);
            self::assertSame([$level, 80.0], [$evening->levels()[0], $evening->read('master:m')], $id);
        }
        $evening->set('wave:quick', 1);
        $evening->set('wave:fast', 1);
        $evening->rig->pass(1.0);
        self::assertEqualsWithDelta(128, $evening->rig->level(100), 4, 'half a turn in a second: twice its rate');
    }

    public function testItGoesByTheBeatAndEachFieldIsAPoint(): void
    {
        $evening = self::with(
            ['on' => [['point' => 'fixture:a/level']], 'mode' => 'replace', 'shape' => 'ramp-up', 'centre' => 50, 'size' => 50, 'unit' => 'beats', 'rate' => 4],
            ['tempos' => [['id' => 'main', 'name' => 'Main']]],
        );
        $evening->set('tempo:main', 60);
        $evening->set('wave:breath', 1);
        $evening->press('wave:breath/restart');
        $evening->rig->pass(2.0);
        self::assertEqualsWithDelta(128, $evening->levels()[0], 3, 'two of four beats');
        $evening->set('tempo:main', 120);
        $evening->rig->pass(0.5);
        self::assertEqualsWithDelta(191, $evening->levels()[0], 4);
        $evening->set('tempo:main/running', 0);
        $evening->rig->pass(5.0);
        self::assertEqualsWithDelta(191, $evening->levels()[0], 4, 'it is held while the tempo stands');
        foreach (['rate' => 2.0, 'size' => 30.0, 'centre' => 20.0, 'phase' => 90.0] as $field => $value) {
            self::assertSame('', $evening->set("wave:breath/{$field}", $value));
            self::assertSame($value, $evening->read("wave:breath/{$field}"));
        }
    }

    public function testItGoesOnAfterARestartAndOverAnEdit(): void
    {
        $evening = self::with([
            'on' => [['point' => 'fixture:a/level']],
            'mode' => 'replace',
            'shape' => 'ramp-up',
            'centre' => 50,
            'size' => 50,
            'rate' => 0.05,
        ]);
        $evening->set('wave:breath', 1);
        $evening->rig->pass(4.0);
        $again = $evening->restarted(6.0);
        $again->rig->pass(0.05);
        self::assertEqualsWithDelta(128, $again->levels()[0], 3, 'ten of twenty seconds');
        $again->rig->adopt([...$again->rig->document, 'waves' => [['size' => 25] + $again->rig->document['waves'][0]]]);
        $again->rig->pass(5.0);
        self::assertEqualsWithDelta(255 * 0.625, $again->levels()[0], 3, 'three quarters of a turn, half as far');
        $again->rig->adopt([...$again->rig->document, 'waves' => []]);
        $again->rig->pass(0.1);
        self::assertSame(0, $again->levels()[0]);
    }

    public function testFiguresOfPanAndTiltAreTwoWavesThatBelongTogether(): void
    {
        $figure = new Figure('Ring', 'fixture:m', 'circle', 10.0, 'hertz', 0.25, 0.0);
        $waves = array_map(
            static fn(array $wave, int $i): array => ['id' => "w{$i}"] + $wave,
            $figure->waves(['pan' => 'pan', 'tilt' => 'tilt']),
            [0, 1],
        );
        $evening = new Evening([
            'profiles' => [['id' => 'mover', 'name' => 'Mover', 'parameters' => [['name' => 'pan', 'role' => 'pan', 'slots' => 2], ['name' => 'tilt', 'role' => 'tilt', 'slots' => 2]]]],
            'fixtures' => [['id' => 'm', 'name' => 'M', 'profile' => 'mover', 'universe' => 'palm', 'first' => 1]],
            'groups' => [],
            'waves' => $waves,
        ]);
        self::assertSame(['pan' => 'pan', 'tilt' => 'tilt'], $figure->parameters($evening->rig->junction->plan()->patch));
        $evening->rig->artNet([1 => 128, 3 => 128]);
        $evening->set('wave:w0', 1);
        $evening->set('wave:w1', 1);
        for ($i = 0; $i < 40; ++$i) {
            $evening->rig->pass(0.1);
            [$a, $b, $c, $d] = $evening->levels();
            self::assertEqualsWithDelta(6553.5, hypot($a * 256 + $b - 32768, $c * 256 + $d - 32768), 3.0, 'always as far from the middle');
        }
        self::assertSame(
            ['pan'],
            array_map(
                static fn(array $wave): string => substr($wave['name'], -3),
                (new Figure('S', 'fixture:m', 'sweep', 1.0, 'hertz', 1.0, 0.0))->waves(['pan' => 'pan', 'tilt' => 'tilt']),
            ),
        );
    }

    public function testWhatDoesNotFitIsRefused(): void
    {
        foreach ([
            [['shape' => 'drawn'], '/waves/0/points'],
            [['on' => [['point' => 'wave:breath/rate']]], '/waves/0/on/0/point'],
            [['on' => [['point' => 'value:gone']]], '/waves/0/on/0/point'],
            [['unit' => 'beats'], '/waves/0/unit'],
            [['tempo' => 'gone'], '/waves/0/tempo'],
        ] as [$wave, $path]) {
            try {
                self::with($wave);
                self::fail($path);
            } catch (ShowRefused $refused) {
                self::assertContains($path, array_map(static fn($fault): string => $fault->path, $refused->faults));
            }
        }
    }

    /**
     * @param array<string, mixed> $wave
     * @param array<string, mixed> $changes
     */
    private static function with(array $wave, array $changes = []): Evening
    {
        return new Evening(['waves' => [['id' => 'breath', 'name' => 'Breath', ...$wave]], ...$changes]);
    }
}
