<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use NimbleJunction\Core\Plan\Compiler;
use NimbleJunction\Core\Plan\Destination;
use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Plan\UniverseExit;
use NimbleJunction\Core\Show\ShowReader;
use PHPUnit\Framework\TestCase;

/** From a show to indexes: which sockets there are, what they feed, and where everything leaves from. */
final class CompilerTest extends TestCase
{
    public function testPortsAtOneAddressShareASocket(): void
    {
        $plan = $this->compile([
            $this->port('a', 'art-net', receive: ['address' => '127.0.0.1', 'feeds' => [$this->link(1), $this->link(2, 'fern')]]),
            $this->port('b', 'art-net', receive: ['address' => '127.0.0.1', 'priority' => 50, 'feeds' => [$this->link(1)]]),
            $this->port('c', 'art-net', receive: ['address' => '127.0.0.2', 'feeds' => [$this->link(1)]]),
        ]);
        self::assertSame(['art-net 127.0.0.1:6454', 'art-net 127.0.0.2:6454'], array_keys($plan->endpoints));
        $shared = $plan->endpoints['art-net 127.0.0.1:6454'];
        self::assertSame(['a', 'b'], $shared->portIds);
        self::assertSame(
            [['a', 'palm', 100], ['b', 'palm', 50]],
            array_map(
                static fn($mapping): array => [$mapping->portId, $mapping->universeId, $mapping->priority],
                $shared->mappings[1],
            ),
        );
        self::assertArrayHasKey('a fern', $plan->feeds());
        self::assertArrayNotHasKey('b fern', $plan->feeds());
    }

    public function testMulticastJoinsTheGroupsOfItsUniversesAndSendsToThem(): void
    {
        $plan = $this->compile([
            $this->port(
                'in',
                'sacn',
                receive: ['address' => '127.0.0.1', 'multicast' => true, 'feeds' => [$this->link(1), $this->link(256, 'fern')]],
            ),
            $this->port('out', 'sacn', send: ['address' => '127.0.0.1', 'multicast' => true, 'carries' => [$this->link(300)]]),
        ]);
        $endpoint = $plan->endpoints['sacn 127.0.0.1:5568'];
        self::assertSame(
            [['239.255.0.1', '239.255.1.0', '239.255.250.214'], '127.0.0.1'],
            [$endpoint->groups, $endpoint->address],
        );
        self::assertEquals([new Destination('127.0.0.1:0', '239.255.1.44', 5568)], $plan->exits['palm'][0]->destinations);
    }

    /**
     * Art-Net and OSC answer to where something came from: they leave from the listening end, everything else from a free
     * port.
     */
    public function testWhatLeavesFromTheListeningEnd(): void
    {
        $plan = $this->compile([
            $this->port(
                'art',
                'art-net',
                receive: ['address' => '127.0.0.1', 'feeds' => []],
                send: ['address' => '127.0.0.1', 'to' => ['127.0.0.9'], 'carries' => [$this->link(1)]],
            ),
            $this->port(
                'osc',
                'osc',
                receive: ['address' => '127.0.0.1', 'port' => 8000],
                send: ['to' => ['127.0.0.15', '127.0.0.16'], 'port' => 9000],
            ),
            $this->port('lone', 'osc', send: ['address' => '127.0.0.3', 'to' => ['127.0.0.17'], 'port' => 9000]),
            $this->port(
                'line',
                'dmx-line',
                send: ['address' => '127.0.0.1', 'to' => ['127.0.0.13'], 'port' => 5120, 'carries' => [$this->link(1)]],
            ),
        ]);
        self::assertSame(
            ['art-net 127.0.0.1:6454', '127.0.0.1:0'],
            array_map(static fn(UniverseExit $exit): string => $exit->destinations[0]->via, $plan->exits['palm']),
        );
        self::assertSame(
            ['osc 127.0.0.1:8000', 'osc 127.0.0.1:8000'],
            array_map(static fn(Destination $destination): string => $destination->via, $plan->messageExits['osc']->destinations),
        );
        self::assertSame('127.0.0.3:0', $plan->messageExits['lone']->destinations[0]->via);
        self::assertSame('port-address 1 to 127.0.0.9:6454', $plan->exits['palm'][0]->words);
    }

    public function testWhatIsSwitchedOffNeitherListensNorSends(): void
    {
        $sides = ['receive' => ['address' => '127.0.0.1', 'port' => 8000], 'send' => ['to' => ['127.0.0.15'], 'port' => 9000]];
        foreach ([
            ['enabled' => false],
            ['receive' => [...$sides['receive'], 'enabled' => false]],
            ['send' => [...$sides['send'], 'enabled' => false]],
        ] as $i => $change) {
            $plan = $this->compile([[...$this->port('osc', 'osc', ...$sides), ...$change]]);
            self::assertSame([0, 0, 1][$i], \count($plan->endpoints));
            self::assertSame([0, 1, 0][$i], \count($plan->messageExits));
        }
    }

    public function testRoutesAreFoundByWhatTheyListenFor(): void
    {
        $plan = $this->compile(
            [$this->port('osc', 'osc', receive: ['port' => 8000], send: ['to' => ['127.0.0.15'], 'port' => 9000])],
            [
                [
                    'id' => 'in',
                    'name' => 'In',
                    'from' => ['kind' => 'message', 'port' => 'osc', 'address' => '/a'],
                    'to' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 512],
                ],
                [
                    'id' => 'off',
                    'name' => 'Off',
                    'enabled' => false,
                    'from' => ['kind' => 'message', 'port' => 'osc', 'address' => '/a'],
                    'to' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 1],
                ],
                [
                    'id' => 'out',
                    'name' => 'Out',
                    'from' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 3],
                    'to' => ['kind' => 'message', 'port' => 'osc', 'address' => '/b', 'type' => 'int', 'high' => 127],
                ],
                [
                    'id' => 'quiet',
                    'name' => 'Quiet',
                    'enabled' => false,
                    'from' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 4],
                    'to' => ['kind' => 'message', 'port' => 'osc', 'address' => '/b'],
                ],
            ],
        );
        self::assertSame(
            [['in', ['slot:palm/512']], ['off', ['slot:palm/1']]],
            array_map(
                static fn($one): array => [
                    $one->route->id,
                    array_map(static fn($action): string => $action->point->text(), $one->route->actions),
                ],
                $plan->index->byAddress()['osc']['/a'],
            ),
            'one that is off is a near miss',
        );
        self::assertSame(
            [2 => [true], 3 => [false]],
            array_map(static fn(array $routes): array => array_column($routes, 'enabled'), $plan->slotRoutes['palm']),
            'one that is off can be switched on',
        );
        self::assertSame([127], $plan->slotRoutes['palm'][2][0]->message(255)->arguments());
        self::assertSame(255, $plan->slotRoutes['palm'][2][0]->understood($plan->slotRoutes['palm'][2][0]->message(255)));
    }

    /**
     * @param list<array<string, mixed>> $ports
     * @param list<array<string, mixed>> $routes
     */
    private function compile(array $ports, array $routes = []): Plan
    {
        return (new Compiler(new Identity(str_repeat('J', 16))))->compile(ShowReader::fromArray([
            'format' => 'nimble-junction/show', 'version' => 1, 'name' => 'Test',
            'universes' => [['id' => 'palm', 'name' => 'Palm House'], ['id' => 'fern', 'name' => 'Fern Gallery']],
            'ports' => $ports, 'routes' => $routes,
        ]));
    }

    /**
     * @param array<string, mixed>|null $receive
     * @param array<string, mixed>|null $send
     *
     * @return array<string, mixed>
     */
    private function port(string $id, string $protocol, ?array $receive = null, ?array $send = null): array
    {
        return array_filter(
            ['id' => $id, 'name' => ucfirst($id), 'protocol' => $protocol, 'receive' => $receive, 'send' => $send],
            static fn(mixed $one): bool => $one !== null,
        );
    }

    /** @return array{number: int, universe: string} */
    private function link(int $number, string $universe = 'palm'): array
    {
        return ['number' => $number, 'universe' => $universe];
    }
}
