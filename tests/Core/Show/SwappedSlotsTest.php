<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Show;

use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\Upgrades;
use NimbleJunction\Core\Universe\Curve;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/**
 * Shows of version 1 whose slots change places: whatever else they say of them, the same leaves as then. What left
 * then is computed here, slot by slot, as version 1 did it: merged, then shaped, then exchanged.
 */
final class SwappedSlotsTest extends TestCase
{
    private const SHOWS = 60;

    public function testTheSameLeavesAsInVersion1(): void
    {
        mt_srand(1);
        $withSplits = 0;
        for ($i = 0; $i < self::SHOWS; ++$i) {
            $document = $this->document();
            $rig = new Rig();
            $show = Upgrades::toNewest($document);
            $withSplits += \count($show['universes'][0]['shapes']) > \count($document['universes'][0]['shapes']) ? 1 : 0;
            $rig->adopt($show);
            $sent = array_map(static fn(): int => mt_rand(0, 255), array_fill(1, 40, 0));
            $rig->artNet($sent);
            $set = [];
            foreach ($document['routes'] as $route) {
                $set[$route['to']['slot']] = mt_rand(1, 255);
                $rig->osc($route['from']['address'], (float) $set[$route['to']['slot']]);
            }
            self::assertSame(
                $this->left($document, $sent, $set),
                $rig->levelsOf(...range(1, 40)),
                json_encode($document, JSON_THROW_ON_ERROR),
            );
        }
        self::assertGreaterThan(self::SHOWS / 4, $withSplits, 'runs that are torn apart are among them');
    }

    public function testACopyLaysTheSameSlotsWhereTheyComeOut(): void
    {
        $document = [
            ...Rig::document(),
            'version' => 1,
            'universes' => [
                ['id' => 'palm', 'name' => 'Palm House'],
                ['id' => 'fern', 'name' => 'Fern', 'swaps' => [['first' => 3, 'with' => 21]]],
            ],
            'ranges' => [
                [
                    'id' => 'c',
                    'name' => 'C',
                    'from' => ['universe' => 'palm', 'first' => 1, 'count' => 2],
                    'to' => ['universe' => 'fern', 'first' => 1],
                    'repeat' => 3,
                    'limit' => 5,
                ],
            ],
        ];
        $rig = new Rig();
        $rig->adopt(array_diff_key(Upgrades::toNewest($document), ['ranges' => 0]));
        $rig->artNet([1 => 10, 2 => 20]);
        $fern = $rig->junction->universes()['fern']->levels;
        self::assertSame(
            [10, 20, 0, 20, 10, 0, 10],
            array_map(static fn(int $slot): int => \ord($fern[$slot - 1]), [1, 2, 3, 4, 5, 6, 21]),
            'slot 3 comes out at 21',
        );
    }

    public function testWhatIsNotSoundIsLeftToTheReader(): void
    {
        foreach ([
            null,
            'x',
            [[]],
            [['first' => 1]],
            [['first' => '1', 'with' => 2]],
            [['first' => 600, 'with' => -5, 'count' => 1.5]],
            [7],
        ] as $swaps) {
            $document = [
                ...Rig::document(),
                'version' => 1,
                'universes' => [
                    [
                        'id' => 'palm',
                        'name' => 'P',
                        'swaps' => $swaps,
                        'shapes' => [['first' => 'x'], 7, ['first' => 9, 'last' => 2]],
                    ],
                    7,
                ],
            ];
            $upgraded = Upgrades::toNewest($document);
            self::assertSame(2, $upgraded['version']);
            self::assertSame(7, $upgraded['universes'][1]);
        }
        $unswapped = [
            ...Rig::document(),
            'version' => 1,
            'universes' => [['id' => 'palm', 'name' => 'P', 'shapes' => [['first' => 2, 'last' => 9]]]],
        ];
        self::assertSame(
            [['first' => 2, 'last' => 9]],
            Upgrades::toNewest($unswapped)['universes'][0]['shapes'],
            'what has no swaps stays as it is',
        );
        $newest = [
            ...Rig::document(),
            'universes' => [
                ['id' => 'palm', 'name' => 'P', 'swaps' => [['first' => 1, 'with' => 2]], 'shapes' => [['first' => 1]]],
            ],
        ];
        self::assertSame($newest, Upgrades::toNewest($newest), 'a document of today too');
    }

    /** @return array<string, mixed> of version 1 */
    private function document(): array
    {
        $swaps = [];
        for ($n = mt_rand(1, 3); $n > 0; --$n) {
            $first = mt_rand(1, 18);
            $swaps[] = ['first' => $first, 'with' => mt_rand(20, 36), 'count' => mt_rand(1, min(4, 20 - $first))];
        }
        $shapes = [];
        for ($n = mt_rand(1, 3); $n > 0; --$n) {
            $first = mt_rand(1, 38);
            $shapes[] = [
                'first' => $first,
                'last' => mt_rand($first, 40),
                'curve' => ['linear', 'square'][mt_rand(0, 1)],
                'inverted' => mt_rand(0, 1) === 1,
                'low' => mt_rand(0, 20),
                'high' => mt_rand(200, 255),
            ];
        }
        $routes = [];
        foreach ((array) array_rand(array_flip(range(1, 40)), mt_rand(2, 4)) as $i => $slot) {
            $routes[] = [
                'id' => "r{$i}",
                'name' => "R{$i}",
                'from' => ['kind' => 'message', 'port' => 'tablet', 'address' => "/r/{$i}", 'low' => 0, 'high' => 255],
                'to' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => $slot],
            ];
        }
        $document = [
            ...Rig::document(),
            'version' => 1,
            'universes' => [['id' => 'palm', 'name' => 'Palm House', 'swaps' => $swaps, 'shapes' => $shapes]],
            'routes' => $routes,
        ];
        ShowReader::fromArray($document);

        return $document;
    }

    /**
     * @param array<string, mixed> $document
     * @param array<int, int> $sent level by slot, from 1 to 40
     * @param array<int, int> $set by routes, likewise
     *
     * @return list<int> what version 1 sent of these slots
     */
    private function left(array $document, array $sent, array $set): array
    {
        $levels = [];
        foreach ($sent as $slot => $level) {
            $levels[$slot] = max($level, $set[$slot] ?? 0);
        }
        $shaped = $levels;
        foreach ($document['universes'][0]['shapes'] as $shape) {
            for ($slot = $shape['first']; $slot <= $shape['last']; ++$slot) {
                $made = Curve::from($shape['curve'])->apply($levels[$slot] / 255);
                $made = (int) round(255 * ($shape['inverted'] ? 1 - $made : $made));
                $shaped[$slot] = max($shape['low'], min($shape['high'], $made));
            }
        }
        foreach ($document['universes'][0]['swaps'] as $swap) {
            for ($n = 0; $n < $swap['count']; ++$n) {
                [
                    $shaped[$swap['first'] + $n],
                    $shaped[$swap['with'] + $n],
                ] = [$shaped[$swap['with'] + $n], $shaped[$swap['first'] + $n]];
            }
        }
        ksort($shaped);

        return array_values($shaped);
    }
}
