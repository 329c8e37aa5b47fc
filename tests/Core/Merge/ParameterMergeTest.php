<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Merge;

use NimbleJunction\Core\Merge\MergeRule;
use NimbleJunction\Core\Merge\Source;
use NimbleJunction\Core\Merge\WideParameters;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Universe\Rules;
use NimbleJunction\Core\Universe\Universe;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Random senders and owners in random order, over random parameters of one to four slots, against the rules written
 * down once more.
 */
final class ParameterMergeTest extends TestCase
{
    /** @return iterable<string, array{MergeRule, int}> */
    public static function walks(): iterable
    {
        foreach ([MergeRule::Htp, MergeRule::Ltp, MergeRule::Slot] as $rule) {
            foreach (range(1, 8) as $seed) {
                yield "{$rule->value}, walk {$seed}" => [$rule, $seed];
            }
        }
    }

    #[DataProvider('walks')]
    public function testWhatLeavesFollowsFromTheRules(MergeRule $rule, int $seed): void
    {
        mt_srand($seed);
        $parameters = self::parameters($seed);
        $latest = str_repeat("\0", 512);
        $isLatest = [];
        foreach ($parameters as $number => $slots) {
            $isLatest[$number] = $rule === MergeRule::Ltp || ($rule === MergeRule::Slot && mt_rand(0, 1) === 1);
            // What is said of a finer slot says nothing: a parameter goes by its coarsest one.
            $latest[$slots[0]] = $isLatest[$number] ? "\1" : "\0";
            foreach (\array_slice($slots, 1) as $slot) {
                $latest[$slot] = \chr(mt_rand(0, 1));
            }
        }
        $wide = new WideParameters(array_values(array_filter($parameters, static fn(array $slots): bool => \count($slots) > 1)));
        $universe = new Universe('u', new Rules($rule, latest: $latest, wide: $wide));
        $reference = new ReferenceMerge($parameters, $isLatest);
        for ($step = 1; $step <= 150; ++$step) {
            $what = $this->step($universe, $reference, $step);
            $universe->settle($step);
            $expected = implode('', array_map(\chr(...), $reference->levels()));
            if ($expected !== $universe->levels) {
                $at = strspn($expected ^ $universe->levels, "\0");
                self::fail("Step {$step}, {$what}: slot {$at} is ".\ord($universe->levels[$at]).', by the rules '.\ord($expected[$at]));
            }
        }
        self::assertSame(150, $step - 1);
    }

    private function step(Universe $universe, ReferenceMerge $reference, int $step): string
    {
        $key = 'sender '.mt_rand(1, 3);
        $owner = 'owner '.mt_rand(1, 4);
        $source = $universe->sources()[$key] ?? null;
        switch (mt_rand(0, 11)) {
            case 0:
                if ($source !== null) {
                    $reference->lose($key);
                    $universe->remove($source, $step);
                }

                return "{$key} is lost";
            case 1:
                if ($source !== null) {
                    $reference->senders[$key]['priority'] = [0, 90, 100, 110, 200][mt_rand(0, 4)];
                    $universe->rank($source, $reference->senders[$key]['priority'], $step, $source->lastResort);
                }

                return "{$key} has another priority";
            case 2:
                if ($source !== null) {
                    $bySlot = mt_rand(0, 1) === 1 ? [] : array_map(
                        static fn(): int => [0, 90, 100, 110][mt_rand(0, 3)],
                        range(0, 511),
                    );
                    $reference->senders[$key]['bySlot'] = $bySlot;
                    $universe->rankSlots($source, implode('', array_map(\chr(...), $bySlot)), $step);
                }

                return "{$key} has other priorities of slots";
            case 3:
                $reference->end($owner);
                $universe->layers()->end($owner);

                return "{$owner} ends";
            case 4:
            case 5:
                // A whole run, as a copy gives it: the owners 3 and 4 always give so, with one priority each.
                $owner = 'owner '.mt_rand(3, 4);
                $priority = $owner === 'owner 3' ? null : [null, 100, 150][mt_rand(0, 2)];
                $first = mt_rand(0, 20);
                $given = array_combine(range($first, 500), array_map(static fn(): int => mt_rand(0, 3) * 64, range($first, 500)));
                $reference->give($owner, $given, $priority, false);
                [$levels, $mask] = self::bytes($given);
                $universe->layers()->give($owner, $owner, $levels, $mask, $priority);

                return "{$owner} gives a run";
            case 6:
            case 7:
                $owner = 'owner '.mt_rand(1, 2);
                $priority = [null, null, 100, 150][mt_rand(0, 3)];
                $given = [];
                for ($i = mt_rand(1, 4); $i > 0; --$i) {
                    $given[mt_rand(0, 30)] = mt_rand(0, 255);
                }
                $reference->give($owner, $given, $priority, true);
                $universe->layers()->set($owner, $owner, $given, $priority);

                return "{$owner} sets slots";
            default:
                $levels = $source === null ? array_fill(0, 512, 0) : array_map(\ord(...), str_split($source->levels));
                for ($i = [1, 5, 60, 400][mt_rand(0, 3)]; $i > 0; --$i) {
                    $levels[mt_rand(0, 511)] = mt_rand(0, 3) * 64 + mt_rand(0, 1);
                }
                $bytes = implode('', array_map(\chr(...), $levels));
                if ($source === null) {
                    $source = new Source($key, 'p', Protocol::Sacn, $key, '', 100, mt_rand(0, 3) === 0);
                    $source->set($bytes);
                    $universe->add($source, $step);
                } else {
                    $universe->move($source, $bytes);
                }
                $reference->send($key, $levels);
                $reference->senders[$key]['lastResort'] = $source->lastResort;

                return "{$key} sends";
        }
    }

    /** @return list<list<int>> every slot in one parameter; every third walk has only pairs side by side */
    private static function parameters(int $seed): array
    {
        $slots = range(0, 511);
        $parameters = [];
        if ($seed % 3 === 0) {
            return array_chunk($slots, 2);
        }
        if ($seed % 3 === 1) {
            mt_srand($seed);
            shuffle($slots);
        }
        while ($slots !== []) {
            $parameters[] = array_splice($slots, 0, mt_rand(1, 4));
        }

        return $parameters;
    }

    /**
     * @param array<int, int> $given level by slot
     *
     * @return array{string, string} levels and mask
     */
    private static function bytes(array $given): array
    {
        $levels = $mask = str_repeat("\0", 512);
        foreach ($given as $slot => $level) {
            $levels[$slot] = \chr($level);
            $mask[$slot] = "\xFF";
        }

        return [$levels, $mask];
    }
}
