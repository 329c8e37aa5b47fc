<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Core\Words\Numbering;
use NimbleJunction\Core\Words\OtherEnd;
use NimbleJunction\Core\Words\PortPlace;
use NimbleJunction\Core\Words\RouteEnds;
use NimbleJunction\Core\Words\Sentence;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** An id may be a number, and PHP makes whole numbers of such keys: nothing may stumble over that. */
final class NumbersForNamesTest extends TestCase
{
    private const SHOW = [
        'universes' => [
            ['id' => '1', 'name' => 'One', 'merge' => 'slot', 'shapes' => [['first' => 3, 'curve' => 'square']]],
            ['id' => '2', 'name' => 'Two', 'merge' => 'chosen', 'chosen' => '1'],
        ],
        'ports' => [
            [
                'id' => '1',
                'name' => 'Desk',
                'protocol' => 'art-net',
                'receive' => [
                    'address' => '127.0.0.1',
                    'feeds' => [['number' => 1, 'universe' => '1'], ['number' => 2, 'universe' => '2']],
                ],
            ],
            [
                'id' => '2',
                'name' => 'Tablet',
                'protocol' => 'osc',
                'receive' => ['address' => '127.0.0.1', 'port' => 8000],
                'send' => ['to' => ['127.0.0.15'], 'port' => 9000],
            ],
            [
                'id' => '3',
                'name' => 'Node',
                'protocol' => 'sacn',
                'send' => [
                    'to' => ['127.0.0.14'],
                    'carries' => [['number' => 7, 'universe' => '1'], ['number' => 8, 'universe' => '2']],
                    'lines' => 1,
                ],
            ],
        ],
        'copies' => [
            [
                'id' => '1',
                'name' => 'Copy',
                'from' => ['universe' => '1', 'first' => 1, 'count' => 4],
                'to' => ['universe' => '2', 'first' => 101],
            ],
        ],
        'profiles' => [
            [
                'id' => '1',
                'name' => 'Head',
                'parameters' => [['name' => '1', 'slots' => 2], ['name' => 'level', 'intensity' => true]],
            ],
        ],
        'fixtures' => [['id' => '1', 'name' => 'Spot', 'profile' => '1', 'universe' => '1', 'first' => 20]],
        'groups' => [['id' => '1', 'name' => 'All', 'members' => ['1']]],
        'values' => [['id' => '1', 'name' => 'Open', 'type' => 'switch']],
        'notes' => [['id' => '1', 'name' => 'Doors', 'note' => 49]],
        'pixels' => [['id' => '1', 'name' => 'Wall', 'layout' => ['kind' => 'line', 'count' => 4], 'universes' => ['2'], 'first' => 401]],
        'offers' => [['id' => '2', 'name' => 'Desk', 'universe' => '2', 'first' => 501, 'parameters' => [
            ['name' => '1', 'functions' => [['kind' => 'press', 'point' => 'value:1']]],
        ]]],
        'looks' => [['id' => '1', 'name' => 'Doors', 'fadeIn' => 1, 'values' => [['point' => 'fixture:1/1', 'value' => 50]]]],
        'lists' => [['id' => '1', 'name' => 'Walk', 'number' => '1', 'cues' => [['number' => '1', 'look' => '1', 'up' => 1]]]],
        'tempos' => [['id' => '1', 'name' => 'Main']],
        'surfaces' => [['id' => '8', 'name' => 'Eight', 'pages' => [['id' => '1', 'name' => 'One', 'controls' => [
            ['id' => '2', 'name' => 'Two', 'does' => ['kind' => 'fader', 'points' => [['point' => 'value:1']]], 'hardware' => [['part' => '5']]],
        ]]]]],
        'panels' => [['id' => '6', 'name' => 'Six', 'surface' => '8', 'parts' => [['id' => '5', 'when' => ['kind' => 'pressed', 'point' => 'value:1'], 'does' => ['kind' => 'fader', 'motor' => false]]]]],
        'timecodes' => [['id' => '1', 'name' => 'Tape']],
        'occasions' => [['id' => '1', 'name' => 'One', 'when' => ['kind' => 'time', 'at' => '10:00'], 'do' => [['kind' => 'press', 'point' => 'timeline:1']]]],
        'desks' => [['id' => '1', 'name' => 'One', 'port' => '2', 'forms' => [['line' => 'go {cue: 1-9}']]]],
        'timelines' => [['id' => '1', 'name' => 'Song', 'timecode' => '1', 'tracks' => [
            ['id' => '1', 'name' => 'Marks', 'does' => ['kind' => 'triggers', 'triggers' => [['id' => '1', 'at' => 0, 'do' => [['kind' => 'set', 'point' => 'value:1', 'value' => 1]]]]]],
            ['id' => '2', 'name' => 'Line', 'does' => ['kind' => 'levels', 'point' => 'fixture:1/1', 'knots' => [['at' => 0, 'value' => 50]]]],
        ]]],
        'waves' => [['id' => '1', 'name' => 'Breath', 'on' => [['point' => 'fixture:1/1']], 'unit' => 'beats', 'rate' => 4]],
        'masters' => [['id' => '1', 'name' => 'Lamps', 'over' => 'fixtures', 'fixtures' => ['1']]],
        'routes' => [
            [
                'id' => '1',
                'name' => 'In',
                'from' => ['kind' => 'message', 'port' => '2', 'address' => '/in'],
                'to' => ['kind' => 'slot', 'universe' => '1', 'slot' => 5],
            ],
            [
                'id' => '2',
                'name' => 'Out',
                'from' => ['kind' => 'slot', 'universe' => '1', 'slot' => 5],
                'to' => ['kind' => 'message', 'port' => '2', 'address' => '/out'],
            ],
            [
                'id' => '3',
                'name' => 'Long',
                'when' => [
                    ['kind' => 'slot', 'point' => 'slot:1/5'],
                    ['kind' => 'source', 'universe' => '1', 'state' => 'lost'],
                    ['kind' => 'port', 'port' => '1'],
                ],
                'do' => [
                    ['kind' => 'press', 'point' => 'value:1'],
                    ['kind' => 'set', 'point' => 'fixture:1/1', 'value' => 50],
                    ['kind' => 'press', 'point' => 'route:4'],
                ],
            ],
            [
                'id' => '4',
                'name' => 'Next',
                'when' => ['kind' => 'point', 'point' => 'value:1'],
                'do' => [['kind' => 'set', 'point' => 'hold:2/9', 'value' => 9]],
            ],
        ],
    ];

    public function testAShowOfNumbersRunsAndGoesOn(): void
    {
        $rig = new Rig(self::SHOW);
        $rig->artNet([1 => 200, 3 => 128], number: 1);
        $rig->artNet([9 => 90], number: 2);
        $rig->osc('/in', 0.5);
        $rig->pass(1);
        $this->look($rig);
        $rig->junction->hold('1', [new Hold(6, 66, 'Ada', $rig->nanos() + 60_000_000_000)], $rig->nanos());
        $rig->junction->set($this->point('route:1/enabled'), 0, new Act('ada', 'Ada'), $rig->nanos());
        $rig->junction->press($this->point('look:1'), new Act('ada', 'Ada'), $rig->nanos());
        $rig->junction->press($this->point('list:1/go'), new Act('ada', 'Ada'), $rig->nanos());
        $rig->junction->set($this->point('wave:1'), 1, new Act('ada', 'Ada'), $rig->nanos());
        $rig->junction->set($this->point('tempo:1'), 90, new Act('ada', 'Ada'), $rig->nanos());
        $rig->junction->set($this->point('master:1'), 40, new Act('ada', 'Ada'), $rig->nanos());
        $rig->pass(0.5);
        $state = json_decode(
            json_encode($rig->junction->rooms()->state($rig->nanos()), JSON_THROW_ON_ERROR),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
        $again = new Rig(self::SHOW);
        $again->junction->restore($state, $again->nanos());
        foreach (['1', '2'] as $id) {
            self::assertSame($rig->junction->universes()[$id]->levels, $again->junction->universes()[$id]->levels);
        }
        $read = fn(Rig $of, string $point): mixed => $of->junction->points()->read($this->point($point));
        foreach ([
            'value:1',
            'fixture:1/1',
            'hold:2/9',
            'hold:1/7',
            'route:1/enabled',
            'route:3/fired',
            'offer:2/1',
            'look:1',
            'list:1',
            'master:1',
            'wave:1',
            'tempo:1',
        ] as $point) {
            self::assertSame($read($rig, $point), $read($again, $point), $point);
        }
        $this->look($again);
        $again->pass(12);
        $again->adopt([...self::SHOW, 'name' => 'Edited']);
        $again->pass(1);
        $this->look($again);
        $rig->pass(12);
        self::assertSame('lost', $read($rig, 'port:1/alive'));
        $again->adopt(['universes' => [], 'ports' => [], 'routes' => []]);
        self::assertSame([], $again->junction->universes());
    }

    public function testItsPartsAreSpokenOf(): void
    {
        $show = ShowReader::fromArray([...Rig::document(), ...self::SHOW]);
        foreach ($show->routes as $route) {
            self::assertStringEndsWith('.', Sentence::of($route, $show));
            $ends = RouteEnds::of($route, $show);
            self::assertContainsOnlyString(array_merge(...array_values($ends)), 'ids are texts, for whoever compares them');
        }
        foreach ($show->ports as $port) {
            self::assertNotSame('', PortPlace::of($port, $show));
            self::assertNotSame([], OtherEnd::of($port, $show, ['127.0.0.1']));
        }
        self::assertCount(2, Numbering::ofUniverses($show));
        foreach (array_keys(Show::LISTS) as $list) {
            self::assertNotSame([], ((array) $show)[$list], $list);
        }
    }

    /** Everything that somebody could ask. */
    private function look(Rig $rig): void
    {
        foreach ($rig->junction->universes() as $universe) {
            for ($slot = 0; $slot < 30; ++$slot) {
                self::assertIsString($universe->explain($slot));
            }
        }
        self::assertGreaterThan(10, \count($rig->junction->points()->find('', 1000)));
        $names = $rig->junction->names();
        foreach ($rig->junction->trace->since(0, 500) as $event) {
            self::assertNotSame('', $event->title($names));
        }
    }

    private function point(string $text): Reference
    {
        return Reference::parse($text) ?? self::fail($text);
    }
}
