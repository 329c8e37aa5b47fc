<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

use NimbleJunction\Core\Point\Reference;

/** A route at /x that sets a value, and what came of it. */
trait PassageRig
{
    private const OUT = ['kind' => 'set', 'point' => 'value:out'];

    /** @param array<string, mixed> $route */
    private static function rig(array $route, array $others = []): Rig
    {
        $parts = self::parts($route);

        return new Rig(['routes' => [...$parts['routes'], ...$others]] + $parts);
    }

    /**
     * @param array<string, mixed> $route
     *
     * @return array<string, mixed>
     */
    private static function parts(array $route): array
    {
        $when = static fn(string $address): array => [['kind' => 'message', 'port' => 'tablet', 'address' => $address, 'argument' => 1]];

        return [
            'values' => [
                ['id' => 'out', 'name' => 'Out', 'type' => 'number', 'low' => -1000, 'high' => 1000, 'start' => -1000],
                ['id' => 'goal', 'name' => 'Goal', 'type' => 'number', 'low' => 0, 'high' => 100],
                ['id' => 'switch', 'name' => 'Switch', 'type' => 'switch'],
            ],
            'routes' => [
                ['id' => 'r', 'name' => 'R', 'when' => $when('/x'), 'do' => [self::OUT], ...$route],
                ['id' => 'other', 'name' => 'Other', 'when' => $when('/y'), 'do' => [['kind' => 'press', 'point' => 'route:other/fired']]],
            ],
        ];
    }

    /**
     * @param list<array{int|float, float}> $values each with the seconds that pass after it
     *
     * @return list<float|null> where the value is after each
     */
    private static function sequence(Rig $rig, array $values): array
    {
        $seen = [];
        foreach ($values as [$value, $seconds]) {
            $rig->osc('/x', (float) $value);
            $seen[] = self::out($rig);
            $rig->pass($seconds);
        }

        return $seen;
    }

    /** @return list<array{float, string, float|null}> when a message left, its address, and where the value was in the end of its turn */
    private static function passed(Rig $rig, float $seconds): array
    {
        $began = $rig->now - 0.4;
        $left = [];
        for ($step = 0; $step < $seconds * 20; ++$step) {
            foreach ($rig->pass(0.05) as [$at, $packet]) {
                if (str_starts_with($packet->bytes, '/told')) {
                    $left[] = [round($at - $began, 2), explode("\0", $packet->bytes)[0], self::out($rig)];
                }
            }
        }

        return $left;
    }

    private static function out(Rig $rig): ?float
    {
        $value = $rig->junction->points()->read(self::point('value:out'));

        return (float) $value === -1000.0 ? null : (float) $value;
    }

    private static function missed(Rig $rig): string
    {
        return implode(' ', $rig->hops('message'));
    }

    private static function point(string $text): Reference
    {
        return Reference::parse($text) ?? throw new \LogicException('it is one');
    }
}
