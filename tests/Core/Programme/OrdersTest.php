<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Programme;

use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Tests\Support\Evening;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Two looks, a desk and a hand in all 24 orders, and let go in all 24: the lamp is what the highest gives, pan is what
 * the latest gives, and a hand is above both (HTP and LTP: common practice, no source).
 */
final class OrdersTest extends TestCase
{
    private const LAMP = ['one' => 102, 'two' => 153, 'desk' => 128];
    private const PAN = ['one' => 0x40, 'two' => 0xBF, 'desk' => 0x55];
    private const HELD = [20, 0x77];

    /** @return iterable<string, array{list<string>}> */
    public static function orders(): iterable
    {
        foreach (self::permutations(['one', 'two', 'desk', 'hand']) as $order) {
            yield implode(', ', $order) => [$order];
        }
    }

    /** @param list<string> $order */
    #[DataProvider('orders')]
    public function testWhoeverComesAndGoes(array $order): void
    {
        $gives = static fn(int $lamp, int $pan): array => Evening::values(['fixture:a/level' => $lamp, 'fixture:h/pan' => $pan]);
        foreach (self::permutations($order) as $leaving) {
            $evening = new Evening(['looks' => [
                ['id' => 'one', 'name' => 'One', 'press' => 'latched', 'fadeIn' => 0, 'fadeOut' => 0, 'values' => $gives(40, 25)],
                ['id' => 'two', 'name' => 'Two', 'press' => 'latched', 'fadeIn' => 0, 'fadeOut' => 0, 'values' => $gives(60, 75)],
            ]]);
            $here = [];
            foreach ($order as $who) {
                match ($who) {
                    'desk' => $evening->rig->artNet([1 => self::LAMP['desk'], 5 => self::PAN['desk']]),
                    'hand' => $evening->rig->junction->hold(
                        'palm',
                        [new Hold(0, self::HELD[0], 'Ada', \PHP_INT_MAX), new Hold(4, self::HELD[1], 'Ada', \PHP_INT_MAX)],
                        $evening->rig->nanos(),
                    ),
                    default => $evening->press("look:{$who}"),
                };
                $here[] = $who;
                self::assertSame(self::expected($here), [$evening->levels()[0], $evening->levels()[4]], 'with '.implode(', ', $here));
            }
            foreach (array_diff($leaving, ['desk']) as $who) {
                $who === 'hand'
                    ? $evening->rig->junction->release('palm', null, null, 'Ada', $evening->rig->nanos())
                    : $evening->set("look:{$who}/active", 0);
                $here = array_values(array_diff($here, [$who]));
                self::assertSame(
                    self::expected($here),
                    [$evening->levels()[0], $evening->levels()[4]],
                    "without {$who}: ".implode(', ', $here),
                );
            }
        }
    }

    /** Three looks and two desks at one parameter, again and again: whoever acted last of those that are there has it. */
    public function testAnyOrderOfManyActs(): void
    {
        mt_srand(20261127);
        for ($round = 0; $round < 60; ++$round) {
            $evening = new Evening(['looks' => array_map(static fn(int $i): array => [
                'id' => "look-{$i}",
                'name' => "Look {$i}",
                'press' => 'latched',
                'fadeIn' => 0,
                'fadeOut' => 0,
                'values' => Evening::values(['fixture:h/wheel' => 20 * $i]),
            ], [1, 2, 3])], mt_rand(0, 1) === 1 ? 'slot' : 'ltp');
            $values = [];
            $acts = [];
            for ($act = 0; $act < 40; ++$act) {
                $i = mt_rand(1, 5);
                $who = $i < 4 ? "look-{$i}" : "desk-{$i}";
                $isGoing = $i < 4 && isset($values[$who]) && mt_rand(0, 1) === 1;
                $acts[] = ($isGoing ? '-' : '+').$who;
                unset($values[$who]);
                if ($i > 3) {
                    $values[$who] = 100 + $act;
                    $evening->rig->artNet([8 => 100 + $act], "127.0.0.1{$i}");
                } elseif ($isGoing) {
                    $evening->set("look:{$who}/active", 0);
                } else {
                    $values[$who] = 51 * $i;
                    $evening->press("look:{$who}");
                }
                self::assertSame(
                    array_values($values)[\count($values) - 1] ?? 0,
                    $evening->levels()[7],
                    "round {$round}: ".implode(' ', $acts),
                );
                $evening->rig->pass(0.02);
                $evening = mt_rand(0, 15) === 0 ? $evening->restarted() : $evening;
            }
        }
    }

    /**
     * @param list<string> $here in the order in which they acted
     *
     * @return array{int, int} lamp and the coarse slot of pan
     */
    private static function expected(array $here): array
    {
        if (\in_array('hand', $here, true)) {
            return self::HELD;
        }
        $latest = array_values(array_intersect(array_reverse($here), array_keys(self::PAN)))[0] ?? null;

        return [max([0, ...array_values(array_intersect_key(self::LAMP, array_flip($here)))]), $latest === null ? 0 : self::PAN[$latest]];
    }

    /**
     * @param list<string> $all
     *
     * @return iterable<list<string>>
     */
    private static function permutations(array $all): iterable
    {
        if (\count($all) < 2) {
            yield $all;
        }
        foreach (\count($all) < 2 ? [] : $all as $first) {
            foreach (self::permutations(array_values(array_diff($all, [$first]))) as $rest) {
                yield [$first, ...$rest];
            }
        }
    }
}
