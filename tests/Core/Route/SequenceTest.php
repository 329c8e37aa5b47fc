<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Route;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Tests\Support\PassageRig;
use PHPUnit\Framework\TestCase;

/** Several actions in their order: they wait, are chosen, are repeated, and set off others. */
final class SequenceTest extends TestCase
{
    use PassageRig;

    public function testWhatIsChosenAndWhatIsRepeatedMayWaitToo(): void
    {
        $say = static fn(int $value): array => ['kind' => 'set', 'point' => 'value:out', 'value' => $value];
        $wait = ['kind' => 'wait', 'seconds' => 1];
        $rig = self::rig(['do' => [
            ['kind' => 'choose', 'options' => [
                ['kind' => 'within', 'low' => 1, 'high' => 1, 'do' => [$say(10), $wait, $say(11)]],
                ['kind' => 'within', 'low' => 0, 'high' => 9, 'do' => [['kind' => 'repeat', 'times' => 2, 'do' => [$say(20), $wait, $say(21), $wait]]]],
            ]],
            $say(30),
        ]]);
        $rig->osc('/x', 1.0);
        self::assertSame(10.0, self::out($rig));
        $rig->pass(1.01);
        self::assertSame(30.0, self::out($rig), 'the rest of the option, and what comes after it');
        $rig->osc('/x', 5.0);
        $seen = [self::out($rig)];
        for ($i = 0; $i < 4; ++$i) {
            $rig->pass(1.01);
            $seen[] = self::out($rig);
        }
        self::assertSame([20.0, 21.0, 20.0, 21.0, 30.0], $seen);
    }

    public function testItIsRepeatedEverySoOftenUntilSomethingIsSo(): void
    {
        $rig = self::rig(['do' => [[
            'kind' => 'repeat',
            'times' => 1000,
            'every' => 0.1,
            'until' => [['kind' => 'point', 'point' => 'value:goal', 'is' => 3]],
            'do' => [['kind' => 'send', 'port' => 'tablet', 'message' => ['kind' => 'osc', 'address' => '/told', 'arguments' => [['kind' => 'float']]]]],
        ]]]);
        $rig->osc('/x', 5.0);
        self::assertCount(10, self::passed($rig, 1.05));
        $rig->junction->set(self::point('value:goal'), 3, new Act('ada', 'Ada'), $rig->nanos());
        self::assertCount(0, self::passed($rig, 1.0));
        $rig->junction->set(self::point('value:goal'), 0, new Act('ada', 'Ada'), $rig->nanos());
        self::assertCount(0, self::passed($rig, 1.0), 'it has ended');
        $rig->osc('/x', 5.0);
        self::assertCount(5, self::passed($rig, 0.55));
        $rig->junction->press(self::point('route:r/stop'), new Act('ada', 'Ada'), $rig->nanos());
        self::assertCount(0, self::passed($rig, 1.0), 'and it is stopped by hand');
        $this->expectException(ShowRefused::class);
        $this->expectExceptionMessage('In a row it is done up to 100 times');
        self::rig(['do' => [['kind' => 'repeat', 'times' => 101, 'do' => [self::OUT]]]]);
    }

    public function testRoundsWithinRoundsAreBounded(): void
    {
        $do = [self::OUT];
        for ($i = 0; $i < 6; ++$i) {
            $do = [['kind' => 'repeat', 'times' => 100, 'do' => $do]];
        }
        $rig = self::rig(['do' => $do]);
        $rig->osc('/x', 5.0);
        self::assertSame(5.0, self::out($rig));
        self::assertStringContainsString('do 2000 things in one turn', implode("\n", $rig->allHops()));
    }

    public function testAFolderIsSwitchedAsOne(): void
    {
        $other = [
            'id' => 'b',
            'name' => 'B',
            'folder' => 'Talk, evening',
            'when' => [['kind' => 'message', 'port' => 'tablet', 'address' => '/b', 'argument' => 1]],
            'do' => [self::OUT],
        ];
        $off = [
            'id' => 'c',
            'name' => 'C',
            'when' => [['kind' => 'message', 'port' => 'tablet', 'address' => '/c', 'argument' => 1]],
            'do' => [['kind' => 'set', 'point' => 'folder:talk-evening/enabled']],
        ];
        $rig = self::rig(['folder' => 'Talk, evening'], [$other, $off]);
        $folder = self::point('folder:talk-evening/enabled');
        $read = static fn(): int|float|string|null => $rig->junction->points()->read($folder);
        self::assertSame(1, $read());
        $rig->osc('/c', 0.0);
        self::assertSame(0, $read());
        $rig->osc('/x', 5.0);
        $rig->osc('/b', 5.0);
        self::assertNull(self::out($rig));
        $rig->junction->set(self::point('route:b/enabled'), 1, new Act('ada', 'Ada'), $rig->nanos());
        self::assertNull($read(), 'one of them is on');
        $rig->junction->press($folder, new Act('ada', 'Ada'), $rig->nanos());
        $rig->osc('/x', 5.0);
        self::assertSame(5.0, self::out($rig));
        $this->expectException(ShowRefused::class);
        $this->expectExceptionMessage('there is no point "folder:nobody/enabled"');
        self::rig(['do' => [['kind' => 'set', 'point' => 'folder:nobody/enabled']]]);
    }

    public function testAFormulaNamesPointsThatAreThere(): void
    {
        self::rig(['steps' => [['kind' => 'formula', 'text' => 'value + point("value:goal")']]]);
        $this->expectException(ShowRefused::class);
        $this->expectExceptionMessage('steps/0/text: there is no point "value:nobody"');
        self::rig(['steps' => [['kind' => 'formula', 'text' => 'value + point("value:nobody")']]]);
    }

    public function testARouteWaitsForAnotherAndForAPress(): void
    {
        $rig = self::rig(['do' => [['kind' => 'press', 'point' => 'value:switch']]], [
            ['id' => 'after', 'name' => 'After', 'when' => ['kind' => 'fired', 'point' => 'route:r'], 'do' => [self::OUT]],
            ['id' => 'press', 'name' => 'Press', 'when' => ['kind' => 'pressed', 'point' => 'value:switch'], 'do' => [['kind' => 'set', 'point' => 'value:goal', 'value' => 8]]],
            ['id' => 'self', 'name' => 'Self', 'when' => ['kind' => 'fired', 'point' => 'route:self'], 'do' => [['kind' => 'set', 'point' => 'value:goal']]],
        ]);
        $rig->osc('/x', 5.0);
        self::assertSame([5.0, 8.0], [self::out($rig), $rig->junction->points()->read(self::point('value:goal'))]);
        $rig->junction->press(self::point('route:self'), new Act('ada', 'Ada'), $rig->nanos());
        self::assertStringContainsString('routes that call each other go 16 deep', implode("\n", $rig->allHops()));
        self::assertLessThanOrEqual(20, $rig->junction->points()->read(self::point('route:self/fired')));
    }
}
