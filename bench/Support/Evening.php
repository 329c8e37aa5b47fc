<?php

declare(strict_types=1);

namespace NimbleJunction\Bench\Support;

use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;

/** A programme over universes that desks feed too, and a hand that plays on it: lists in a loop, looks, masters, waves, taps. */
final class Evening
{
    public const PORT = 9000;
    private const FIXTURES = 20;
    private const PARAMETERS = 20;
    private const LOOKS = 40;
    private const LISTS = 8;
    private const WAVES = 20;

    /** What hands do, one after the other: an address, and the point that it acts on. */
    private const ACTS = [
        '/look/{n}' => 'look:look-{n}',
        '/go/{n}' => 'list:by-hand-{n}/go',
        '/back/{n}' => 'list:by-hand-{n}/back',
        '/pause/{n}' => 'list:by-hand-{n}/pause',
        '/zero' => 'master:grand/zero',
        '/full' => 'master:grand/full',
        '/tap' => 'tempo:music/tap',
        '/release' => 'programme:release',
    ];

    /**
     * @param array<string, mixed> $show its universes, which are u0 and so on, and its ports
     * @param string $address where the port of the hands listens
     *
     * @return array<string, mixed> the same show with a programme
     */
    public static function over(array $show, string $address): array
    {
        $universes = \count($show['universes']);
        $show['version'] = 2;
        $show['ports'][] = [
            'id' => 'hands',
            'name' => 'Hands',
            'protocol' => 'osc',
            'receive' => ['address' => $address, 'port' => self::PORT],
        ];
        $show['profiles'] = [['id' => 'bar', 'name' => 'Bar', 'parameters' => array_map(
            static fn(int $k): array => ['name' => "p{$k}", 'kind' => $k === 1 ? 'intensity' : 'colour'],
            range(1, self::PARAMETERS),
        )]];
        $show['fixtures'] = array_map(static fn(int $i): array => [
            'id' => "f{$i}", 'name' => "Fixture {$i}", 'profile' => 'bar', 'universe' => 'u'.intdiv($i, self::FIXTURES),
            'first' => 1 + self::PARAMETERS * ($i % self::FIXTURES),
        ], range(0, $universes * self::FIXTURES - 1));
        $show['looks'] = array_map(static fn(int $n): array => self::look($n, $universes), range(1, self::LOOKS));
        $show['lists'] = [
            ...array_map(static fn(int $n): array => self::list("by-itself-{$n}", $n, true), range(1, self::LISTS)),
            ...array_map(static fn(int $n): array => self::list("by-hand-{$n}", $n + self::LISTS, false), range(1, self::LISTS)),
        ];
        $show['waves'] = array_map(static fn(int $n): array => self::wave($n, $universes), range(1, self::WAVES));
        $show['masters'] = [
            ['id' => 'grand', 'name' => 'Grand master', 'time' => 5],
            ['id' => 'own', 'name' => 'Own', 'over' => 'programme'],
        ];
        $show['tempos'] = [['id' => 'music', 'name' => 'Music', 'start' => 98.96]];
        $show['routes'] = self::routes();

        return $show;
    }

    /** @param int $turn the first, the second, … act of the hands */
    public static function act(int $turn): string
    {
        $address = array_keys(self::ACTS)[$turn % 5 === 0 ? intdiv($turn, 5) % \count(self::ACTS) : $turn % 2];
        $last = str_starts_with($address, '/look') ? self::LOOKS : self::LISTS;

        return (new Message(str_replace('{n}', (string) (1 + 7 * $turn % $last), $address), [Argument::int(1)]))->encode();
    }

    /** @return array<string, mixed> */
    private static function look(int $n, int $universes): array
    {
        $values = [];
        for ($i = 0; $i < 6; ++$i) {
            $fixture = (7 * $n + 11 * $i) % ($universes * self::FIXTURES);
            foreach ([1, 2, 5, 9] as $k) {
                $values[] = ['point' => "fixture:f{$fixture}/p{$k}", 'value' => (50 + 10 * $i + $n) % 100];
            }
        }

        return [
            'id' => "look-{$n}",
            'name' => "Look {$n}",
            'press' => 'toggle',
            'fadeIn' => $n % 7,
            'fadeOut' => $n % 3,
            'values' => $values,
        ];
    }

    /** @return array<string, mixed> */
    private static function list(string $id, int $n, bool $runs): array
    {
        $follow = $runs ? ['begins' => true] : [];
        $next = $runs ? ['follow' => ['kind' => 'complete', 'seconds' => 0.5]] : [];
        $cue = static fn(int $number): array => [
            'number' => (string) $number,
            'up' => $number,
            'down' => 1,
            'look' => 'look-'.(1 + ($n + 9 * $number) % self::LOOKS),
            ...$next,
        ];

        return [
            'id' => $id,
            'name' => ucfirst($id),
            'end' => 'loop',
            'tracking' => $n % 2 === 0,
            ...$follow,
            'cues' => array_map($cue, range(1, 5)),
        ];
    }

    /** @return array<string, mixed> */
    private static function wave(int $n, int $universes): array
    {
        return [
            'id' => "wave-{$n}",
            'name' => "Wave {$n}",
            'shape' => ['sine', 'square', 'smooth', 'ramp-up'][$n % 4],
            'mode' => ['add', 'multiply', 'replace'][$n % 3],
            'size' => 20, 'centre' => 40, 'rate' => 0.1 * $n, 'offset' => 360, 'begins' => true,
            'on' => array_map(
                static fn(int $i): array => [
                    'point' => 'fixture:f'.((13 * $n + $i) % ($universes * self::FIXTURES)).'/p'.(1 + $n % 10),
                ],
                range(0, 5),
            ),
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function routes(): array
    {
        $routes = [];
        foreach (self::ACTS as $address => $point) {
            $last = match (true) {
                ! str_contains($address, '{n}') => 1,
                str_starts_with($address, '/look') => self::LOOKS,
                default => self::LISTS,
            };
            foreach (range(1, $last) as $n) {
                $routes[] = [
                    'id' => 'r'.\count($routes),
                    'name' => "Route {$address} {$n}",
                    'when' => ['kind' => 'osc', 'port' => 'hands', 'address' => str_replace('{n}', (string) $n, $address)],
                    'do' => [['kind' => 'press', 'point' => str_replace('{n}', (string) $n, $point)]],
                ];
            }
        }

        return $routes;
    }
}
