<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Merge;

use NimbleJunction\Core\Merge\Bytes;
use NimbleJunction\Core\Merge\FinerSlots;
use NimbleJunction\Core\Merge\LtpOrder;
use PHPUnit\Framework\TestCase;

/** The strings of an order of changes, against lists of keys that are moved to the front one by one. */
final class LtpOrderTest extends TestCase
{
    public function testItIsAListThatIsMovedToTheFront(): void
    {
        mt_srand(11);
        $keys = ['a', 'b', 'c', 'd', 'e'];
        foreach (range(1, 6) as $walk) {
            $order = new LtpOrder();
            $lists = array_fill(0, 512, []);
            for ($step = 0; $step < 200; ++$step) {
                $key = $keys[mt_rand(0, 4)];
                $slots = array_values(
                    array_unique(array_map(static fn(): int => mt_rand(0, 511), range(1, [1, 40, 60, 600][mt_rand(0, 3)]))),
                );
                $what = mt_rand(0, 9);
                if ($what === 0) {
                    $order->forget($key);
                    $lists = array_map(static fn(array $list): array => array_values(array_diff($list, [$key])), $lists);
                } elseif ($what === 1) {
                    $order->left($key, Bytes::mask($slots));
                    foreach ($slots as $slot) {
                        $lists[$slot] = array_values(array_diff($lists[$slot], [$key]));
                    }
                } else {
                    $order->moved($key, Bytes::mask($slots));
                    foreach ($slots as $slot) {
                        $lists[$slot] = [$key, ...array_values(array_diff($lists[$slot], [$key]))];
                    }
                }
                $asked = array_slice($keys, 0, mt_rand(1, 5));
                $latest = $order->latest($asked);
                foreach ([0, 17, 300, 511, $slots[0]] as $slot) {
                    $first = array_values(array_intersect($lists[$slot], $asked))[0] ?? null;
                    $place = $first === null ? null : (int) array_search($first, $asked, true);
                    self::assertSame(
                        [$place === null ? 0 : $place + 1, $place],
                        [\ord($latest[$slot]), $order->latestAt($slot, $asked)],
                        "walk {$walk}, step {$step}, slot {$slot}",
                    );
                }
            }
            $again = new LtpOrder();
            $again->restore($order->kept());
            self::assertSame(bin2hex($order->latest($keys)), bin2hex($again->latest($keys)), 'kept over a restart');
            $order->forget('a');
            $again->forget('a');
            self::assertSame(bin2hex($order->latest($keys)), bin2hex($again->latest($keys)), 'and who was before, too');
        }
    }

    public function testANumberThatIsFreeIsGivenAgainAndTheListIsFullAtItsEnd(): void
    {
        $order = new LtpOrder();
        for ($i = 0; $i < 3 * LtpOrder::MOST; ++$i) {
            $order->moved("key {$i}", Bytes::mask([$i % 512]));
            $order->forget("key {$i}");
        }
        for ($i = 0; $i < LtpOrder::MOST; ++$i) {
            $order->moved("key {$i}", Bytes::mask([0]));
        }
        self::assertSame(
            LtpOrder::MOST - 1,
            $order->latestAt(0, array_map(static fn(int $i): string => "key {$i}", range(0, LtpOrder::MOST - 1))),
        );
        $this->expectException(\OverflowException::class);
        $order->moved('one more', Bytes::mask([0]));
    }

    public function testBytesAreBroughtToFinerSlotsAndBack(): void
    {
        mt_srand(12);
        $bytes = implode('', array_map(static fn(): string => \chr(mt_rand(0, 255)), range(1, 512)));
        $sideBySide = array_combine(range(1, 511, 2), range(0, 510, 2));
        $slots = range(0, 511);
        shuffle($slots);
        $apart = array_combine(array_slice($slots, 0, 200), array_slice($slots, 200, 200));
        foreach ([$sideBySide, $apart] as $before) {
            $finer = new FinerSlots($before);
            [$down, $up] = [$finer->fromCoarser($bytes), $finer->toCoarser($bytes)];
            $brought = $finer->brought($bytes);
            foreach ($before as $slot => $coarser) {
                self::assertSame(
                    [$bytes[$coarser], $bytes[$slot], $bytes[$coarser]],
                    [$down[$slot], $up[$coarser], $brought[$slot]],
                );
            }
            $others = array_diff(range(0, 511), array_keys($before));
            self::assertSame(
                [],
                array_filter($others, static fn(int $slot): bool => $down[$slot] !== "\0"),
                'and nothing anywhere else',
            );
        }
    }
}
