<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Universe;

use NimbleJunction\Core\Merge\Difference;
use NimbleJunction\Core\Merge\HtpMerger;
use NimbleJunction\Core\Merge\MergeRule;
use NimbleJunction\Core\Merge\Source;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Core\Universe\Rules;
use NimbleJunction\Core\Universe\Universe;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Merging only the slots that moved must give what merging all of them gives, whatever happens in whatever order. */
final class SparseMergeTest extends TestCase
{
    public function testDifferenceFindsTheSlotsUpToALimit(): void
    {
        $a = str_repeat("\x10", 512);
        $b = $a;
        foreach ([0, 1, 200, 511] as $slot) {
            $b[$slot] = "\x11";
        }
        self::assertSame([], Difference::slots($a, $a, 8));
        self::assertSame([0, 1, 200, 511], Difference::slots($a, $b, 8));
        self::assertSame([0, 1, 200, 511], Difference::slots($a, $b, 4));
        self::assertNull(Difference::slots($a, $b, 3));
        self::assertCount(512, Difference::slots($a, str_repeat("\x20", 512), 512) ?? []);
    }

    /** All pairs of levels, against PHP's own max(). */
    public function testTheHigherOfEveryPairOfLevels(): void
    {
        $merger = new HtpMerger();
        $one = new Source('a', 'p', Protocol::ArtNet, 'A', '127.0.0.1', 100);
        $two = new Source('b', 'p', Protocol::ArtNet, 'B', '127.0.0.2', 100);
        for ($a = 0; $a < 256; ++$a) {
            $one->set(str_repeat(\chr($a), 256));
            $two->set(implode('', array_map(\chr(...), range(0, 255))));
            $expected = implode('', array_map(static fn(int $b): string => \chr(max($a, $b)), range(0, 255)));
            self::assertSame($expected, substr($merger->merge([$one, $two]), 0, 256));
        }
    }

    /** @return iterable<string, array{MergeRule, int}> */
    public static function walks(): iterable
    {
        foreach (MergeRule::cases() as $rule) {
            foreach ([1, 2, 3] as $seed) {
                yield "{$rule->value}, walk {$seed}" => [$rule, $seed];
            }
        }
    }

    /**
     * Sources come, move few slots or many, change their priority, and go; after each step the universe is compared with
     * one built anew.
     */
    #[DataProvider('walks')]
    public function testARandomWalkNeverDiffersFromMergingAnew(MergeRule $rule, int $seed): void
    {
        mt_srand($seed);
        $latest = str_repeat("\0\x01\x01\0", 128);
        $universe = new Universe('u', new Rules($rule, latest: $latest, chosen: $rule === MergeRule::Chosen ? 'p' : ''));

        /** @var array<string, int> $changedAt by source and slot: the model that LTP is held against */
        $changedAt = [];
        for ($step = 1; $step < 400; ++$step) {
            $key = 'source '.mt_rand(1, 4);
            $source = $universe->sources()[$key] ?? null;
            $before = $source->levels ?? str_repeat("\0", 512);
            $after = self::moved($before);
            if ($source === null) {
                $source = new Source($key, 'p', Protocol::Sacn, $key, '127.0.0.1', 100);
                $source->set($after);
                $universe->add($source, $step);
            } elseif (mt_rand(0, 20) === 0) {
                $universe->remove($source, $step);
                unset($changedAt[$key]);

                continue;
            } elseif (mt_rand(0, 20) === 0) {
                $universe->rank($source, [90, 100, 110][mt_rand(0, 2)], $step);

                continue;
            } else {
                $universe->move($source, $after);
            }
            foreach (Difference::slots($before, $after, 512) ?? [] as $slot) {
                $changedAt[$key][$slot] = $step;
            }
            self::assertSame(self::anew($universe, static fn(int $slot): MergeRule => match ($rule) {
                MergeRule::Slot => $latest[$slot] === "\0" ? MergeRule::Htp : MergeRule::Ltp,
                MergeRule::Chosen => MergeRule::Htp,
                default => $rule,
            }, $changedAt), $universe->levels, "step {$step}");
        }
    }

    public function testHoldsLieOnTopWhateverMoves(): void
    {
        mt_srand(9);
        $universe = new Universe('u');
        $source = new Source('a', 'p', Protocol::Sacn, 'A', '127.0.0.1', 100);
        $universe->add($source, 0);
        $universe->hold(new Hold(7, 33, 'anna', \PHP_INT_MAX));
        for ($step = 1; $step < 100; ++$step) {
            $universe->move($source, self::moved($source->levels));
            self::assertSame(33, \ord($universe->levels[7]));
            self::assertSame(\ord($source->levels[8]), \ord($universe->levels[8]));
        }
        $universe->release(7);
        self::assertSame($source->levels, $universe->levels);
    }

    private static function moved(string $levels): string
    {
        $count = [1, 5, 47, 48, 49, 300][mt_rand(0, 5)];
        for ($i = 0; $i < $count; ++$i) {
            $levels[mt_rand(0, 511)] = \chr(mt_rand(0, 255));
        }

        return $levels;
    }

    /**
     * @param callable(int): MergeRule $ruleOf a slot
     * @param array<string, array<int, int>> $changedAt
     */
    private static function anew(Universe $universe, callable $ruleOf, array $changedAt): string
    {
        $highest = max(array_map(static fn(Source $source): int => (int) $source->priority, $universe->sources()));
        $leading = array_filter($universe->sources(), static fn(Source $source): bool => $source->priority === $highest);
        $levels = str_repeat("\0", 512);
        for ($slot = 0; $slot < 512; ++$slot) {
            $latest = -1;
            $rule = $ruleOf($slot);
            foreach ($leading as $source) {
                $when = $changedAt[$source->key][$slot] ?? -1;
                if ($rule === MergeRule::Htp && \ord($source->levels[$slot]) > \ord($levels[$slot])) {
                    $levels[$slot] = $source->levels[$slot];
                } elseif ($rule === MergeRule::Ltp && $when >= 0 && $when >= $latest) {
                    $latest = $when;
                    $levels[$slot] = $source->levels[$slot];
                } elseif ($rule === MergeRule::Ltp && \count($leading) === 1) {
                    $levels[$slot] = $source->levels[$slot];
                }
            }
        }

        return $levels;
    }
}
