<?php

declare(strict_types=1);

namespace NimbleJunction\Bench\Support;

/**
 * A show as large as one house grows, made of the same parts each time: 100 ports, 256 universes, 2,000 fixtures and
 * 10,000 routes of several kinds. Addresses are loopback ones only.
 */
final readonly class LargeShow
{
    private const MESSAGE_PORTS = 40;
    private const PER_PORT = 8;

    /** @param string $net first two numbers of the loopback addresses in use */
    public function __construct(
        private string $net = '127.81',
        private int $ports = 100,
        private int $universes = 256,
        private int $fixtures = 2000,
        private int $routes = 10_000,
    ) {
    }

    /** @return array<string, mixed> a show document */
    public function document(): array
    {
        return [
            'format' => 'nimble-junction/show',
            'version' => 2,
            'name' => 'Large house',
            'middleC' => 4,
            'universes' => array_map($this->universe(...), range(0, $this->universes - 1)),
            'ports' => array_map($this->port(...), range(0, $this->ports - 1)),
            'routes' => array_map($this->route(...), range(0, $this->routes - 1)),
            'copies' => [],
            'profiles' => [
                ['id' => 'dimmer', 'name' => 'Dimmer', 'parameters' => [['name' => 'level']]],
                ['id' => 'moving-head', 'name' => 'Moving head', 'parameters' => [
                    ['name' => 'level', 'intensity' => true],
                    ['name' => 'Pan', 'slots' => 2, 'intensity' => false],
                    ['name' => 'Tilt', 'slots' => 2, 'intensity' => false],
                ]],
            ],
            'fixtures' => array_map($this->fixture(...), range(0, $this->fixtures - 1)),
            'values' => [['id' => 'house-open', 'name' => 'House open', 'type' => 'switch']],
        ];
    }

    /** @return array<string, mixed> */
    private function universe(int $i): array
    {
        return ['id' => "universe-{$i}", 'name' => "Gallery {$i}", 'merge' => ['htp', 'ltp', 'slot'][$i % 3]];
    }

    /** @return array<string, mixed> */
    private function port(int $i): array
    {
        $we = "{$this->net}.1.".($i + 1);
        $other = "{$this->net}.2.".($i + 1);
        $levels = $this->ports - self::MESSAGE_PORTS;
        if ($i >= $levels) {
            $receive = ['address' => $we, 'port' => 8000];
            $send = ['address' => $we, 'to' => [$other], 'port' => 9000];

            return ['id' => "port-{$i}", 'name' => "Tablet {$i}", 'protocol' => 'osc', 'receive' => $receive, 'send' => $send];
        }
        $isReceiving = $i < intdiv($levels, 2);
        $place = $isReceiving ? $i : $i - intdiv($levels, 2);
        $links = [];
        for ($k = $place * self::PER_PORT + 1; $k <= ($place + 1) * self::PER_PORT; ++$k) {
            $links[] = ['number' => $k, 'universe' => 'universe-'.(($k - 1) % $this->universes)];
        }

        return $isReceiving
            ? [
                'id' => "port-{$i}",
                'name' => "Desk {$i}",
                'protocol' => 'art-net',
                'receive' => ['address' => $we, 'feeds' => $links],
            ]
            : [
                'id' => "port-{$i}",
                'name' => "Node {$i}",
                'protocol' => 'sacn',
                'send' => ['address' => $we, 'to' => [$other], 'carries' => $links],
            ];
    }

    /** @return array<string, mixed> */
    private function fixture(int $i): array
    {
        $isMoving = $i % 4 === 0;

        return [
            'id' => "fixture-{$i}",
            'name' => ($isMoving ? 'Head ' : 'Lantern ').$i,
            'profile' => $isMoving ? 'moving-head' : 'dimmer',
            'universe' => 'universe-'.($i % $this->universes),
            'first' => 1 + 6 * intdiv($i, $this->universes),
        ];
    }

    /** @return array<string, mixed> */
    private function route(int $i): array
    {
        $port = 'port-'.($this->ports - self::MESSAGE_PORTS + $i % self::MESSAGE_PORTS);
        $common = ['id' => "route-{$i}", 'name' => "Fader {$i} drives its lantern"];
        $fixture = 'fixture-'.($i % $this->fixtures);

        return match ($i % 3) {
            0 => [
                ...$common,
                'from' => ['kind' => 'message', 'port' => $port, 'address' => "/gallery/{$i}"],
                'to' => ['kind' => 'slot', 'universe' => 'universe-'.($i % $this->universes), 'slot' => 300 + $i % 200],
            ],
            1 => [
                ...$common,
                'when' => ['kind' => 'osc', 'port' => $port, 'address' => "/go/{$i}"],
                'do' => [['kind' => 'set', 'point' => "fixture:{$fixture}/level"]],
            ],
            default => [
                ...$common,
                'folder' => 'Answers '.($i % 50),
                'when' => ['kind' => 'osc', 'port' => $port, 'address' => "/ask/{$i}"],
                'if' => [['kind' => 'point', 'point' => 'value:house-open', 'is' => true]],
                'do' => [['kind' => 'send', 'port' => $port, 'message' => ['kind' => 'osc', 'address' => "/answer/{$i}"]]],
            ],
        };
    }
}
