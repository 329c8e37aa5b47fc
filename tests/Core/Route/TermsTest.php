<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Route;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** How a route gives a point its value, and how that ends. Figures worked by hand. */
final class TermsTest extends TestCase
{
    public function testAFadeIsAStraightLine(): void
    {
        $rig = self::rig(['point' => 'slot:palm/9', 'fade' => 2]);
        $rig->osc('/a', 200.0);
        self::assertContains('changed: slot 9 of Palm House fades to 200', $rig->hops('message'));
        foreach ([50, 100, 150, 200, 200] as $level) {
            $rig->pass(0.5);
            self::assertEqualsWithDelta($level, $rig->level(9), 3.0);
        }
        self::assertSame(200, $rig->level(9));
        $rig->osc('/a', 0.0);
        $rig->pass(1.0);
        self::assertEqualsWithDelta(100, $rig->level(9), 3.0, 'it is taken up from where it is');
        $rig->osc('/a', 200.0);
        $rig->pass(1.0);
        self::assertEqualsWithDelta(150, $rig->level(9), 3.0);
    }

    public function testAWideParameterFadesInAllItsBits(): void
    {
        $rig = self::rig(['point' => 'fixture:head/pan', 'fade' => 10], [
            'profiles' => [['id' => 'head', 'name' => 'Head', 'parameters' => [['id' => 'pan', 'name' => 'Pan', 'slots' => 2]]]],
            'fixtures' => [['id' => 'head', 'name' => 'Head', 'profile' => 'head', 'universe' => 'palm', 'first' => 11]],
        ]);
        $rig->osc('/a', 10.0);
        $seen = [];
        for ($i = 0; $i < 410; ++$i) {
            $rig->pass(0.025);
            $seen[$rig->level(11) * 256 + $rig->level(12)] = true;
        }
        self::assertGreaterThan(300, \count($seen), 'a step each 25 ms: 8 bits would have 26 of them');
        self::assertSame(6554, array_key_last($seen), '10 per cent of 65,535');
    }

    public function testItIsLetGoWhenTheValueComesToNothing(): void
    {
        $rig = self::rig(['point' => 'slot:palm/9', 'ends' => 'release', 'priority' => 150]);
        $rig->sacn([9 => 80]);
        self::assertSame(80, $rig->level(9));
        $rig->osc('/a', 200.0);
        self::assertSame(200, $rig->level(9));
        $rig->osc('/a', 0.0);
        self::assertSame(80, $rig->level(9), 'the desk has it again');
    }

    /** A fade out goes to what is there without it: the end of it is no step. */
    public function testItFadesOutToWhatOthersGive(): void
    {
        $rig = self::rig(['point' => 'slot:palm/9', 'ends' => 'fade', 'out' => 2, 'priority' => 150]);
        $rig->sacn([9 => 80]);
        $rig->osc('/a', 200.0);
        $rig->osc('/a', 0.0);
        $rig->pass(1.0);
        self::assertEqualsWithDelta(140, $rig->level(9), 3.0);
        $rig->sacn([9 => 100]);
        $rig->pass(0.5);
        self::assertEqualsWithDelta(125, $rig->level(9), 3.0, 'the desk has moved meanwhile: a quarter of the way is left');
        $last = $rig->level(9);
        for ($i = 0; $i < 24; ++$i) {
            $rig->sacn([9 => 100], sequence: 10 + $i);
            $rig->pass(0.025);
            self::assertLessThanOrEqual(3, abs($rig->level(9) - $last));
            $last = $rig->level(9);
        }
        self::assertSame(100, $rig->level(9));
        self::assertStringNotContainsString('Route', $rig->junction->universes()['palm']->explain(8), 'nothing of it is left');
    }

    public function testItEndsByItselfAfterAWhile(): void
    {
        $rig = self::rig(['point' => 'slot:palm/9', 'value' => 90, 'fade' => 1, 'ends' => 'release', 'after' => 2]);
        $rig->osc('/a', 1.0);
        $rig->pass(2.9);
        self::assertSame(90, $rig->level(9));
        $rig->pass(0.2);
        self::assertSame(0, $rig->level(9));
        $rig->osc('/a', 1.0);
        $rig->pass(2.0);
        $rig->osc('/a', 1.0);
        $rig->pass(2.0);
        self::assertSame(90, $rig->level(9), 'asked for again, it begins anew');
    }

    public function testAGroupFadesMemberByMember(): void
    {
        $rig = self::rig(['point' => 'group:all/level', 'fade' => 1, 'ends' => 'fade', 'out' => 1], [
            'profiles' => [['id' => 'dim', 'name' => 'Dimmer', 'parameters' => [['id' => 'level', 'name' => 'Level']]]],
            'fixtures' => [
                ['id' => 'a', 'name' => 'A', 'profile' => 'dim', 'universe' => 'palm', 'first' => 1],
                ['id' => 'b', 'name' => 'B', 'profile' => 'dim', 'universe' => 'palm', 'first' => 2],
            ],
            'groups' => [['id' => 'all', 'name' => 'All', 'members' => ['a', 'b']]],
        ]);
        $rig->sacn([1 => 255]);
        $rig->osc('/a', 100.0);
        $rig->pass(0.5);
        self::assertEqualsWithDelta(128, $rig->level(2), 4);
        self::assertSame(255, $rig->level(1), 'it was there already');
        $rig->pass(0.6);
        $rig->osc('/a', 0.0);
        $rig->pass(0.5);
        self::assertEqualsWithDelta(128, $rig->level(2), 4);
        $rig->sacn([1 => 255], sequence: 9);
        $rig->pass(0.6);
        self::assertSame([255, 0], $rig->levelsOf(1, 2));
    }

    /** A running fade takes nothing from a hand: it counts as one act, made when it began. */
    public function testAFadeDoesNotFightWhoActedSince(): void
    {
        $rig = self::rig(['point' => 'slot:palm/9', 'fade' => 4], ['universes' => [['id' => 'palm', 'name' => 'Palm', 'merge' => 'ltp']]], [
            ['id' => 'other', 'name' => 'Other', 'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/b'], 'do' => [['kind' => 'set', 'point' => 'slot:palm/9']]],
        ]);
        $rig->osc('/a', 200.0);
        $rig->pass(1.0);
        $rig->osc('/b', 7.0);
        $rig->pass(1.0);
        self::assertSame(7, $rig->level(9));
        $rig->pass(3.0);
        self::assertSame(7, $rig->level(9));
        $rig->osc('/a', 30.0);
        $rig->pass(5.0);
        self::assertSame(30, $rig->level(9), 'a new act has it');
    }

    public function testOfTwoRoutesTheHighestHasItWhereTheySaySo(): void
    {
        $other = [
            'id' => 'other',
            'name' => 'Other',
            'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/b'],
            'do' => [['kind' => 'set', 'point' => 'slot:palm/9', 'merge' => 'highest']],
        ];
        $rig = self::rig(['point' => 'slot:palm/9', 'merge' => 'highest'], [], [$other]);
        $rig->osc('/a', 100.0);
        $rig->osc('/b', 60.0);
        self::assertSame(100, $rig->level(9));
        $rig->osc('/a', 10.0);
        self::assertSame(60, $rig->level(9));
        $rig = self::rig(['point' => 'slot:palm/9'], [], [[...$other, 'do' => [['kind' => 'set', 'point' => 'slot:palm/9']]]]);
        $rig->osc('/a', 100.0);
        $rig->osc('/b', 60.0);
        self::assertSame(60, $rig->level(9), 'else whoever acted last');
    }

    public function testAFadeGoesOnAfterARestartAndOverAnEdit(): void
    {
        $rig = self::rig(['point' => 'slot:palm/9', 'fade' => 4]);
        $rig->osc('/a', 200.0);
        $rig->pass(1.0);
        $rig->adopt(['name' => 'Another name', 'routes' => [self::route(['point' => 'slot:palm/9', 'fade' => 4])]]);
        $rig->pass(1.0);
        self::assertEqualsWithDelta(100, $rig->level(9), 3);
        $state = json_decode((string) json_encode($rig->junction->rooms()->state($rig->nanos())), true);
        $again = self::rig(['point' => 'slot:palm/9', 'fade' => 4]);
        $again->junction->restore($state, $again->nanos(), 1_000_000_000);
        $again->pass(0.03);
        self::assertEqualsWithDelta(150, $again->level(9), 4, 'it was away for a second');
        $again->pass(1.1);
        self::assertSame(200, $again->level(9));
    }

    public function testWhatIsStoppedStaysWhereItIs(): void
    {
        $rig = self::rig(['point' => 'slot:palm/9', 'fade' => 4]);
        $rig->osc('/a', 200.0);
        $rig->pass(2.0);
        $rig->junction->press(Reference::parse('route:r/stop') ?? self::fail(), new Act('ada', 'Ada'), $rig->nanos());
        $level = $rig->level(9);
        $rig->pass(3.0);
        self::assertSame($level, $rig->level(9));
        self::assertEqualsWithDelta(100, $level, 3);
    }

    public function testARouteIsTriedWithAChosenValue(): void
    {
        $rig = self::rig(['point' => 'slot:palm/9']);
        self::assertSame(
            '',
            $rig->junction->set(Reference::parse('route:r/run') ?? self::fail(), 64, new Act('ada', 'Ada'), $rig->nanos())[0],
        );
        self::assertSame(64, $rig->level(9));
        self::assertContains('a test: Ada runs "R" with 64', $rig->titles());
    }

    public function testWhatIsSetOnceAndStaysHasNoEnd(): void
    {
        try {
            self::rig(['point' => 'port:tablet/enabled', 'fade' => 1]);
            self::fail('it was taken');
        } catch (ShowRefused $refused) {
            self::assertStringContainsString('/do/0/fade: port:tablet/enabled is set at once', $refused->getMessage());
        }
    }

    /**
     * @param array<string, mixed> $set
     * @param array<string, mixed> $changes
     * @param list<array<string, mixed>> $others
     */
    private static function rig(array $set, array $changes = [], array $others = []): Rig
    {
        return new Rig(['routes' => [self::route($set), ...$others], ...$changes]);
    }

    /**
     * @param array<string, mixed> $set
     *
     * @return array<string, mixed>
     */
    private static function route(array $set): array
    {
        return [
            'id' => 'r',
            'name' => 'R',
            'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/a'],
            'do' => [['kind' => 'set', ...$set]],
        ];
    }
}
