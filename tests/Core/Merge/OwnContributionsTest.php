<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Merge;

use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is ours, with senders and without: routes and copies share a slot by the rule of the slot, and lie above what is kept. */
final class OwnContributionsTest extends TestCase
{
    /** @return iterable<string, array{list<string>}> orders in which a desk, a route and a copy come */
    public static function orders(): iterable
    {
        foreach ([
            ['desk', 'route', 'copy'],
            ['desk', 'copy', 'route'],
            ['route', 'desk', 'copy'],
            ['route', 'copy', 'desk'],
            ['copy', 'desk', 'route'],
            ['copy', 'route', 'desk'],
            ['route', 'copy'],
            ['copy', 'route'],
        ] as $order) {
            yield implode(', ', $order) => [$order];
        }
    }

    /** @param list<string> $order */
    #[DataProvider('orders')]
    public function testTheHighestHasItInEveryOrder(array $order): void
    {
        foreach ([
            ['desk' => 10, 'route' => 255, 'copy' => 51],
            ['desk' => 90, 'route' => 51, 'copy' => 204],
            ['desk' => 230, 'route' => 51, 'copy' => 102],
        ] as $levels) {
            $rig = $this->rig('htp');
            $this->play($rig, $order, $levels);
            self::assertSame(max(array_intersect_key($levels, array_flip($order))), $rig->level(5));
        }
    }

    /** @param list<string> $order */
    #[DataProvider('orders')]
    public function testTheLatestHasItInEveryOrder(array $order): void
    {
        $levels = ['desk' => 90, 'route' => 51, 'copy' => 204];
        $rig = $this->rig('ltp');
        $this->play($rig, $order, $levels);
        $last = end($order);
        self::assertSame($levels[$last], $rig->level(5));
        if ($last !== 'desk' && \in_array('desk', $order, true)) {
            $rig->artNet([5 => 91]);
            self::assertSame(91, $rig->level(5), 'the desk moves it again');
        }
    }

    public function testWhatIsKeptShowsAgainWhenNothingOfOursLiesAboveIt(): void
    {
        $rig = $this->rig('htp');
        $rig->sacn([1 => 200, 5 => 40]);
        $rig->osc('/lamp', 0.2);
        self::assertSame(51, $rig->level(5));
        $rig->sacn([], options: Data::TERMINATED);
        self::assertSame([200, 51], $rig->levelsOf(1, 5), 'kept, and the route still drives');
        self::assertSame(
            'Route "Fader in": no sender is in control here, ours has it.',
            $rig->junction->universes()['palm']->explain(4),
        );
        self::assertSame('No source is left: the last levels stay.', $rig->junction->universes()['palm']->explain(0));
        $rig->osc('/lamp', 0.0);
        self::assertSame(0, $rig->level(5), 'down is above it too');
        $rig->adopt(['routes' => [], ...$this->universes('htp')]);
        self::assertSame([200, 40], $rig->levelsOf(1, 5), 'the route has gone: what was kept shows');
    }

    public function testWhoIsLostIsAskedOfSendersOnly(): void
    {
        $rig = new Rig(['universes' => [['id' => 'palm', 'name' => 'Palm House', 'whenLost' => 'stop']]]);
        $rig->sacn([1 => 200]);
        $rig->osc('/lamp', 1.0);
        $rig->sacn([], options: Data::TERMINATED);
        self::assertSame([0, 255], $rig->levelsOf(1, 5), 'the desk sends nothing any more, the route does');
        self::assertNotEmpty($rig->pass(2));
        $rig->adopt(['routes' => [], 'universes' => [['id' => 'palm', 'name' => 'Palm House', 'whenLost' => 'stop']]]);
        $rig->pass(0.1);
        self::assertSame([], $rig->pass(5), 'and with it the universe is silent');
    }

    public function testTheLastMessageHasASlotThatSeveralRoutesSet(): void
    {
        $route = static fn(string $id, int $low, int $high): array => [
            'id' => $id,
            'name' => $id,
            'from' => ['kind' => 'message', 'port' => 'tablet', 'address' => "/{$id}"],
            'to' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 5, 'low' => $low, 'high' => $high],
        ];
        $rig = new Rig(['routes' => [$route('on', 0, 255), $route('off', 0, 0), $route('half', 0, 128)]]);
        $rig->osc('/on', 1.0);
        self::assertSame(255, $rig->level(5));
        $rig->osc('/off', 1.0);
        self::assertSame(0, $rig->level(5), 'who sends "off" means it, also where the highest takes precedence');
        $rig->osc('/on', 1.0);
        self::assertSame(255, $rig->level(5), 'the same message again counts again');
        $rig->osc('/half', 1.0);
        self::assertSame(
            'Route "half": set it last of our own, before Route "on" with 255; no sender is in control here, ours has it.',
            $rig->junction->universes()['palm']->explain(4),
        );
        $rig->artNet([5 => 200]);
        self::assertSame(200, $rig->level(5), 'a desk shares the slot by its rule');
    }

    public function testAMessageOfThreeRoutesLeavesAsOneFrame(): void
    {
        $route = static fn(int $slot): array => [
            'id' => "r{$slot}",
            'name' => "r{$slot}",
            'from' => ['kind' => 'message', 'port' => 'tablet', 'address' => '/all'],
            'to' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => $slot],
        ];
        $rig = new Rig(['routes' => array_map($route, [1, 2, 3])]);
        $left = array_values(array_filter($rig->osc('/all', 1.0), static fn($one): bool => $one->port === 5568));
        self::assertCount(1, $left);
        self::assertSame("\xFF\xFF\xFF\x00", substr($left[0]->bytes, 126, 4));
    }

    public function testAPriorityTakesItsSlotsAndNoOthers(): void
    {
        $rig = new Rig();
        $universe = $rig->junction->universes()['palm'];
        $rig->artNet([1 => 200, 2 => 200, 3 => 200]);
        $universe->layers()->set('look', 'Doors', [1 => 20], 150);
        $universe->layers()->set('joins', 'Fader', [1 => 30, 2 => 250]);
        $universe->layers()->set('low', 'Low', [0 => 255, 2 => 255], 50);
        $universe->settle($rig->nanos());
        self::assertSame(
            [200, 30, 250],
            $rig->levelsOf(1, 2, 3),
            'slot 2 to the look and what joins it, slot 3 to the desk and what joins it; 50 is below the desk',
        );
        self::assertSame('Fader: highest of 2 (HTP), the next one sends 20.', $universe->explain(1));
        $universe->layers()->end('joins');
        $universe->settle($rig->nanos());
        self::assertSame([200, 20, 200], $rig->levelsOf(1, 2, 3));
        self::assertSame('Doors: priority 150 is above 100.', $universe->explain(1));
        $universe->layers()->end('look');
        $universe->settle($rig->nanos());
        self::assertSame(200, $rig->level(2));
    }

    public function testWhatIsOursAndWhoMovedLastLiveThroughARestart(): void
    {
        $rig = $this->rig('ltp');
        $rig->artNet([1 => 100, 5 => 100]);
        $rig->osc('/lamp', 0.5);
        $rig->artNet([1 => 7], number: 5);
        self::assertSame(7, $rig->level(5));
        $rig->osc('/lamp', 0.2);
        $state = json_decode(
            json_encode($rig->junction->rooms()->state($rig->nanos()), JSON_THROW_ON_ERROR),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
        $again = $this->rig('ltp');
        $again->junction->restore($state, $again->nanos());
        self::assertSame([100, 51], $again->levelsOf(1, 5));
        $again->artNet([1 => 8], number: 5);
        self::assertSame(8, $again->level(5), 'the copy moves it');
        $again->adopt(['routes' => [], ...$this->universes('ltp'), 'copies' => []]);
        self::assertSame(100, $again->level(5), 'and what the desk sent is still there');
    }

    public function testAStateOfBeforeIsReadOnceMore(): void
    {
        $rig = new Rig();
        $routes = [
            'key' => base64_encode('routes'),
            'port' => '',
            'protocol' => null,
            'name' => 'Routes',
            'address' => '',
            'priority' => null,
            'levels' => base64_encode(Rig::levels([5 => 80, 9 => 90])),
        ];
        $rig->junction->restore(
            [
                'universes' => [
                    'palm' => [
                        'merged' => base64_encode(Rig::levels([1 => 60, 5 => 80])),
                        'stopped' => false,
                        'sources' => [$routes],
                        'holds' => [],
                        'fade' => null,
                    ],
                ],
            ],
            $rig->nanos(),
        );
        self::assertSame([60, 80, 0], $rig->levelsOf(1, 5, 9), 'no route sets slot 9');
        self::assertStringStartsWith('Route "Fader in"', $rig->junction->universes()['palm']->explain(4));
    }

    /** @param list<string> $order @param array<string, int> $levels */
    private function play(Rig $rig, array $order, array $levels): void
    {
        foreach ($order as $who) {
            match ($who) {
                'desk' => $rig->artNet([5 => $levels['desk']]),
                'copy' => $rig->artNet([1 => $levels['copy']], number: 5),
                'route' => $rig->osc('/lamp', $levels['route'] / 255),
            };
        }
    }

    private function rig(string $rule): Rig
    {
        return new Rig($this->universes($rule));
    }

    /** @return array<string, mixed> slot 1 of the roof is copied to slot 5 of the palm house */
    private function universes(string $rule): array
    {
        $ports = Rig::document()['ports'];
        $ports[0]['receive']['feeds'][] = ['number' => 5, 'universe' => 'roof'];

        return [
            'universes' => [['id' => 'palm', 'name' => 'Palm House', 'merge' => $rule], ['id' => 'roof', 'name' => 'Roof']],
            'ports' => $ports,
            'copies' => [
                [
                    'id' => 'r',
                    'name' => 'r',
                    'from' => ['universe' => 'roof', 'first' => 1],
                    'to' => ['universe' => 'palm', 'first' => 5],
                ],
            ],
        ];
    }
}
