<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Route;

use NimbleJunction\Core\Live\Echoes;
use NimbleJunction\Core\Live\TurnWork;
use NimbleJunction\Core\Patch\Library;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** No set of routes and no sequence of events makes a cascade without end, a value outside its range, or one that is none. */
final class CascadeTest extends TestCase
{
    private const POINTS = ['slot:palm/1', 'slot:palm/2', 'fixture:par/red', 'value:x', 'value:y', 'hold:palm/3', 'group:all/green'];
    private const STEPS = [
        ['kind' => 'scale', 'from' => [0, 1], 'to' => [-1000, 1000]],
        ['kind' => 'scale', 'from' => [5, 5], 'to' => [3, -3]],
        ['kind' => 'formula', 'text' => 'value * value * 1000000'],
        ['kind' => 'formula', 'text' => '1 / (value - 1)'],
        ['kind' => 'curve', 'curve' => 'logarithmic'],
        ['kind' => 'toggle', 'on' => 1, 'off' => 0],
        ['kind' => 'counter', 'low' => -5, 'high' => 5, 'by' => 1, 'wraps' => true],
        ['kind' => 'increment', 'low' => 0, 'high' => 1, 'size' => 0.3, 'wraps' => true],
        ['kind' => 'smooth', 'seconds' => 0.05],
        ['kind' => 'ramp', 'seconds' => 0.1],
        ['kind' => 'delay', 'seconds' => 0.02],
        ['kind' => 'thin', 'seconds' => 0.02],
        ['kind' => 'join', 'how' => 'product'],
        ['kind' => 'accelerate', 'most' => 10, 'seconds' => 0.1],
    ];

    public function testWhateverRoutesThereAreATurnEndsAndValuesStayInTheirRange(): void
    {
        mt_srand(21);
        $rigs = 0;
        for ($round = 0; $round < 40; ++$round) {
            $routes = array_map(fn(int $i): array => $this->route($i), range(0, 9));
            try {
                $rig = new Rig([
                    'routes' => $routes,
                    'values' => [
                        ['id' => 'x', 'name' => 'X', 'type' => 'number', 'low' => -2, 'high' => 7],
                        ['id' => 'y', 'name' => 'Y'],
                    ],
                    'profiles' => [Library::all()[1]],
                    'fixtures' => [['id' => 'par', 'name' => 'Par', 'profile' => 'rgb', 'universe' => 'palm', 'first' => 11]],
                    'groups' => [['id' => 'all', 'name' => 'All', 'members' => ['par']]],
                ]);
            } catch (ShowRefused $refused) {
                self::assertStringContainsString('/routes/', $refused->getMessage());

                continue;
            }
            ++$rigs;
            for ($event = 0; $event < 12; ++$event) {
                $this->happens($rig);
                $this->staysInRange($rig);
            }
            $rig->pass(1.0);
            $this->staysInRange($rig);
        }
        self::assertGreaterThan(35, $rigs);
    }

    public function testACircleOfRoutesIsCutWithinItsTurn(): void
    {
        $rig = new Rig(['routes' => [
            ['id' => 'a', 'name' => 'A', 'when' => [['kind' => 'osc', 'port' => 'tablet', 'address' => '/a'], ['kind' => 'fired', 'point' => 'route:b']], 'do' => array_fill(0, 9, ['kind' => 'press', 'point' => 'route:b'])],
            ['id' => 'b', 'name' => 'B', 'when' => ['kind' => 'fired', 'point' => 'route:a'], 'do' => array_fill(0, 9, ['kind' => 'press', 'point' => 'route:a'])],
        ]]);
        $rig->osc('/a', 1.0);
        $fired = static fn(string $id): int => (int) $rig->junction->points()->read(Reference::parse("route:{$id}/fired") ?? self::fail());
        self::assertLessThanOrEqual(TurnWork::MOST_EFFECTS + 2, $fired('a') + $fired('b'));
        self::assertStringContainsString('cut at', implode("\n", $rig->allHops()));
        $before = $fired('a');
        $rig->pass(2.0);
        self::assertSame($before, $fired('a'), 'nothing of it goes on');
    }

    /** What routes do later may press routes that do more later: each of them no more than so often a second. */
    public function testWhatGrowsOverTimeIsBoundedToo(): void
    {
        $again = ['kind' => 'repeat', 'times' => 100, 'every' => 0.03, 'do' => [['kind' => 'press', 'point' => 'route:b']]];
        $rig = new Rig(['routes' => [
            ['id' => 'a', 'name' => 'A', 'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/a'], 'do' => [$again]],
            ['id' => 'b', 'name' => 'B', 'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/b'], 'do' => [$again]],
        ]]);
        $rig->osc('/a', 1.0);
        $rig->pass(5.0);
        $fired = (int) $rig->junction->points()->read(Reference::parse('route:b/fired') ?? self::fail());
        self::assertGreaterThan(100, $fired);
        self::assertLessThanOrEqual(6 * Echoes::MOST_A_SECOND, $fired);
    }

    /** @return array<string, mixed> */
    private function route(int $i): array
    {
        $point = fn(): string => self::POINTS[mt_rand(0, \count(self::POINTS) - 1)];
        $other = 'route:r'.mt_rand(0, 9);
        $when = [
            ['kind' => 'osc', 'port' => 'tablet', 'address' => '/a'],
            ['kind' => 'osc', 'port' => 'tablet', 'address' => '/{name}/*', 'takes' => 'message'],
            ['kind' => 'point', 'point' => $point()],
            ['kind' => 'pressed', 'point' => $other],
            ['kind' => 'fired', 'point' => $other],
        ];
        $do = [
            ['kind' => 'set', 'point' => $point()],
            ['kind' => 'set', 'point' => $point(), 'fade' => 0.1, 'ends' => 'fade', 'out' => 0.1],
            ['kind' => 'press', 'point' => $other],
            ['kind' => 'repeat', 'times' => 50, 'do' => [['kind' => 'set', 'point' => $point()]]],
            ['kind' => 'repeat', 'times' => 20, 'every' => 0.03, 'do' => [['kind' => 'press', 'point' => $other]]],
            ['kind' => 'send', 'port' => 'tablet', 'message' => ['kind' => 'osc', 'address' => '/a', 'arguments' => [['kind' => 'float']]]],
        ];
        $some = static fn(array $all, int $most): array => array_map(
            static fn(): array => $all[mt_rand(0, \count($all) - 1)],
            array_fill(0, mt_rand(1, $most), 0),
        );

        return [
            'id' => "r{$i}",
            'name' => "R{$i}",
            'when' => $some($when, 2),
            'steps' => mt_rand(0, 1) === 0 ? [] : $some(self::STEPS, 3),
            'do' => $some($do, 3),
        ];
    }

    private function happens(Rig $rig): void
    {
        $values = [0.0, 1.0, -1.0, 1e30, -1e30, \NAN, \INF, 0.5, 3.0];
        match (mt_rand(0, 3)) {
            0 => $rig->osc('/a', $values[mt_rand(0, 8)]),
            1 => $rig->osc('/'.['b', 'cue'][mt_rand(0, 1)].'/12', $values[mt_rand(0, 8)]),
            2 => $rig->junction->press(Reference::parse('route:r'.mt_rand(0, 9)) ?? self::fail(), new Act('ada', 'Ada'), $rig->nanos()),
            default => $rig->pass(0.05),
        };
    }

    private function staysInRange(Rig $rig): void
    {
        $points = $rig->junction->points();
        $read = static fn(string $text): int|float|string|null => $points->read(Reference::parse($text) ?? self::fail());
        $x = $read('value:x');
        self::assertTrue(is_numeric($x) && $x >= -2 && $x <= 7, 'x is '.json_encode($x));
        self::assertContains($read('value:y'), [0, 1]);
        $red = $read('fixture:par/red');
        self::assertTrue(is_numeric($red) && $red >= 0 && $red <= 100);
        self::assertSame(512, \strlen($rig->junction->universes()['palm']->levels));
    }
}
