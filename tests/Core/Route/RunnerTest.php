<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Route;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Tests\Support\RoutesOnARig;
use PHPUnit\Framework\TestCase;

/** Routes in their long form: when, if, steps, do; between any two protocols. */
final class RunnerTest extends TestCase
{
    use RoutesOnARig;

    public function testEveryConditionSaysWhyItMissed(): void
    {
        $values = ['values' => [['id' => 'open', 'name' => 'House open', 'type' => 'switch']]];
        $do = [['kind' => 'set', 'point' => 'slot:palm/9', 'value' => 77]];
        foreach ([
            [['kind' => 'point', 'point' => 'value:open', 'is' => true], 'wants value:open to be 1, it is 0'],
            [['kind' => 'equal', 'to' => 2], 'wants the value 2, it is 0.5'],
            [['kind' => 'least', 'value' => 0.75], 'wants at least 0.75, it is 0.5'],
            [['kind' => 'range', 'low' => 0.6, 'high' => 1], 'wants a value from 0.6 to 1, it is 0.5'],
            [['kind' => 'one-of', 'values' => [1, 2]], 'wants one of 1, 2, it is 0.5'],
        ] as [$condition, $words]) {
            $rig = $this->rig(
                [
                    [
                        'id' => 'r',
                        'name' => 'R',
                        'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/a'],
                        'if' => [$condition],
                        'do' => $do,
                    ],
                ],
                $values,
            );
            $rig->osc('/a', 0.5);
            self::assertContains("nearly: \"R\" {$words}", $rig->hops('message'));
            self::assertSame(0, $rig->level(9));
        }
        $rig->junction->set($this->point('value:open'), 1, new Act('ada', 'Ada'), $rig->nanos());
        self::assertSame(1, $rig->junction->points()->read($this->point('value:open')));
    }

    public function testAValueIsSetWatchedAndKept(): void
    {
        $show = [
            'values' => [
                ['id' => 'open', 'name' => 'House open', 'type' => 'switch'],
                ['id' => 'mood', 'name' => 'Mood', 'type' => 'choice', 'choices' => ['calm', 'bright'], 'kept' => false],
            ],
        ];
        $routes = [
            [
                'id' => 'turn',
                'name' => 'Turn',
                'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/open'],
                'do' => [
                    ['kind' => 'press', 'point' => 'value:open'],
                    ['kind' => 'set', 'point' => 'value:mood', 'value' => 'bright'],
                ],
            ],
            [
                'id' => 'lamp',
                'name' => 'Lamp',
                'when' => ['kind' => 'point', 'point' => 'value:open', 'is' => 1],
                'do' => [
                    ['kind' => 'set', 'point' => 'slot:palm/9', 'value' => 200],
                    ['kind' => 'press', 'point' => 'route:bell'],
                ],
            ],
            [
                'id' => 'bell',
                'name' => 'Bell',
                'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/bell'],
                'do' => [
                    ['kind' => 'send', 'port' => 'lectern', 'message' => ['kind' => 'program', 'channel' => 1, 'program' => 4]],
                ],
            ],
            [
                'id' => 'bright',
                'name' => 'Bright',
                'when' => ['kind' => 'slot', 'point' => 'slot:palm/9', 'rises' => 150],
                'do' => [['kind' => 'set', 'point' => 'slot:palm/10', 'value' => 99]],
            ],
        ];
        $rig = $this->rig($routes, $show);
        self::assertSame(['c004'], $this->left($rig, 'tablet', self::osc('/open')));
        self::assertSame([200, 99], $rig->levelsOf(9, 10), 'one message, all in one turn');
        self::assertSame('bright', $rig->junction->points()->read($this->point('value:mood')));
        $state = json_decode(
            json_encode($rig->junction->rooms()->state($rig->nanos()), JSON_THROW_ON_ERROR),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
        $again = $this->rig($routes, $show);
        $again->junction->restore($state, $again->nanos());
        self::assertSame(
            [1, 'calm', 200],
            [
                ...array_map(
                    fn(string $one) => $again->junction->points()->read($this->point($one)),
                    ['value:open', 'value:mood'],
                ),
                $again->level(9),
            ],
            'what is not to be kept begins anew',
        );
        $again->adopt(['routes' => $routes, ...$show, 'ports' => $again->document['ports'], 'name' => 'Edited']);
        self::assertSame(1, $again->junction->points()->read($this->point('value:open')), 'an edit leaves it alone');
        self::assertStringContainsString(
            'one of: calm, bright',
            $again->junction->set($this->point('value:mood'), 'loud', new Act('ada', 'Ada'), $again->nanos())[0],
        );
    }

    public function testRoutesThatCallEachOtherAreCutAndNamed(): void
    {
        $press = static fn(string $id, string $other): array => [
            'id' => $id,
            'name' => ucfirst($id),
            'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => "/{$id}"],
            'do' => [['kind' => 'press', 'point' => "route:{$other}"]],
        ];
        $rig = $this->rig([$press('one', 'two'), $press('two', 'one')]);
        $rig->osc('/one');
        self::assertStringContainsString('cut at "', implode("\n", $rig->hops('message')));
        self::assertLessThan(20, $rig->junction->points()->read($this->point('route:one/fired')));
        $flip = [
            'id' => 'flip',
            'name' => 'Flip',
            'when' => ['kind' => 'point', 'point' => 'value:open'],
            'do' => [['kind' => 'press', 'point' => 'value:open']],
        ];
        $rig = $this->rig([$flip], ['values' => [['id' => 'open', 'name' => 'Open']]]);
        $rig->junction->press($this->point('value:open'), new Act('ada', 'Ada'), $rig->nanos());
        self::assertLessThan(20, $rig->junction->points()->read($this->point('route:flip/fired')));
        $many = [
            'id' => 'many',
            'name' => 'Many',
            'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/many'],
            'do' => [
                [
                    'kind' => 'repeat',
                    'times' => 100,
                    'do' => [['kind' => 'repeat', 'times' => 100, 'do' => [['kind' => 'press', 'point' => 'value:open']]]],
                ],
            ],
        ];
        $rig = $this->rig([$many], ['values' => [['id' => 'open', 'name' => 'Open']]]);
        $began = hrtime(true);
        $rig->osc('/many');
        self::assertLessThan(2e9, hrtime(true) - $began, 'bounded, whatever a show says');
    }

    public function testParametersAreSetInPerCentAndReadBothWays(): void
    {
        $patch = [
            'profiles' => [['id' => 'head', 'name' => 'Head', 'parameters' => [['name' => 'pan', 'slots' => 2]]]],
            'fixtures' => [['id' => 'lantern', 'name' => 'Lantern', 'profile' => 'head', 'universe' => 'palm', 'first' => 11]],
            'universes' => [['id' => 'palm', 'name' => 'Palm House', 'shapes' => [['first' => 11, 'inverted' => true]]]],
        ];
        $rig = $this->rig(
            [
                [
                    'id' => 'r',
                    'name' => 'R',
                    'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/pan'],
                    'do' => [['kind' => 'set', 'point' => 'fixture:lantern/pan']],
                ],
            ],
            $patch,
        );
        $rig->osc('/pan', 25.0);
        self::assertSame([0xBF, 0xFF], $rig->levelsOf(11, 12), '25 per cent of 65,535 is 0x4000; it leaves inverted');
        self::assertEqualsWithDelta(25, $rig->junction->points()->read($this->point('fixture:lantern/pan')), 0.01);
        self::assertEqualsWithDelta(75, $rig->junction->points()->read($this->point('fixture:lantern/pan/leaves')), 0.01);
    }

    public function testPointsAreFoundReadAndPressed(): void
    {
        $rig = $this->rig(
            [
                [
                    'id' => 'r',
                    'name' => 'Ring',
                    'when' => ['kind' => 'started'],
                    'do' => [
                        [
                            'kind' => 'send',
                            'port' => 'lectern',
                            'message' => ['kind' => 'program', 'channel' => 1, 'program' => 4],
                        ],
                    ],
                ],
            ],
        );
        self::assertSame(
            ['c004'],
            array_map(
                static fn(array $one): string => bin2hex($one[1]->bytes),
                array_values(array_filter($rig->pass(0.001), static fn(array $one): bool => $one[1]->portId === 'lectern')),
            ),
            'the show has started',
        );
        $points = $rig->junction->points();
        self::assertSame(
            ['route:r'],
            array_map(static fn($point): string => $point->reference->text(), $points->find('ring', 5)),
        );
        self::assertSame(
            ['port:lectern/alive', 'port:lectern/steady', 'port:lectern/troubled', 'port:lectern/enabled', 'port:lectern/rate'],
            array_map(static fn($point): string => $point->reference->text(), $points->find('port: lectern', 5)),
        );
        $left = $rig->junction->press($this->point('route:r'), new Act('ada', 'Ada'), $rig->nanos());
        self::assertSame(
            ['', ['c004']],
            [$left[0], array_map(static fn(OutgoingPacket $one): string => bin2hex($one->bytes), $left[1])],
        );
        $rig->junction->set($this->point('hold:palm/3'), 44, new Act('ada', 'Ada'), $rig->nanos());
        self::assertSame([44, 44], [$rig->level(3), $points->read($this->point('hold:palm/3'))]);
        $rig->junction->press($this->point('hold:palm/3'), new Act('ada', 'Ada'), $rig->nanos());
        self::assertSame([0, null], [$rig->level(3), $points->read($this->point('hold:palm/3'))]);
        self::assertSame(
            '"enabled" and "solo" can ',
            substr(
                $rig->junction->set($this->point('route:r'), 1, new Act('ada', 'Ada'), $rig->nanos())[0],
                \strlen('of a route '),
                25,
            ),
        );
        $rig->junction->set($this->point('route:r/enabled'), 0, new Act('ada', 'Ada'), $rig->nanos());
        self::assertSame(0, $points->read($this->point('route:r/enabled')));
        self::assertSame(
            [1, 'a slot cannot be pressed'],
            [
                $points->read($this->point('port:lectern/enabled')),
                $rig->junction->press($this->point('slot:palm/3'), new Act('ada', 'Ada'), $rig->nanos())[0],
            ],
        );
        self::assertNull($points->describe($this->point('slot:palm/513')));
    }

    public function testSourcesPortsAndEditsAreEvents(): void
    {
        $tell = static fn(int $program): array => [
            ['kind' => 'send', 'port' => 'lectern', 'message' => ['kind' => 'program', 'channel' => 1, 'program' => $program]],
        ];
        $routes = [
            [
                'id' => 'gained',
                'name' => 'Gained',
                'when' => ['kind' => 'source', 'universe' => 'palm', 'state' => 'gained'],
                'do' => $tell(1),
            ],
            [
                'id' => 'lost',
                'name' => 'Lost',
                'when' => ['kind' => 'source', 'universe' => 'palm', 'state' => 'lost'],
                'do' => $tell(2),
            ],
            [
                'id' => 'port',
                'name' => 'Port',
                'when' => ['kind' => 'point', 'point' => 'port:guest/alive', 'is' => 'lost'],
                'do' => $tell(3),
            ],
            ['id' => 'edit', 'name' => 'Edit', 'when' => ['kind' => 'show'], 'do' => $tell(4)],
        ];
        $rig = $this->rig($routes);
        $fired = fn(): array => array_map(
            fn(string $id) => $rig->junction->points()->read($this->point("route:{$id}/fired")),
            ['gained', 'lost', 'port', 'edit'],
        );
        $rig->pass(1);
        $rig->sacn([1 => 9]);
        self::assertSame([1, 0, 0, 0], $fired());
        $rig->pass(1);
        self::assertSame([1, 0, 0, 0], $fired());
        $rig->pass(3);
        self::assertSame([1, 1, 1, 0], $fired(), 'a source and its port are lost after 2.5 s');
        $rig->adopt(['routes' => $routes, 'ports' => $rig->document['ports']]);
        $rig->pass(0.01);
        self::assertSame([1, 1, 1, 1], $fired());
    }

    public function testARouteThatEndsTakesItsLevelsWithIt(): void
    {
        $route = [
            'id' => 'r',
            'name' => 'R',
            'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/a'],
            'do' => [
                ['kind' => 'set', 'point' => 'slot:palm/9', 'priority' => 150, 'value' => 20],
                ['kind' => 'set', 'point' => 'slot:palm/10', 'priority' => 150, 'value' => 30],
            ],
        ];
        $rig = $this->rig([$route]);
        $rig->artNet([9 => 200, 10 => 200]);
        $rig->osc('/a');
        self::assertSame([20, 30], $rig->levelsOf(9, 10), 'a priority of 150 has its slots');
        $rig->adopt(['ports' => $rig->document['ports'], 'routes' => [['do' => [$route['do'][0]]] + $route]]);
        self::assertSame([20, 200], $rig->levelsOf(9, 10));
        $rig->adopt(['ports' => $rig->document['ports'], 'routes' => []]);
        self::assertSame([200, 200], $rig->levelsOf(9, 10));
    }
}
