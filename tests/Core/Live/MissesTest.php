<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Live;

use NimbleJunction\Core\Live\Unanswered;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Why did nothing happen: what came and did nothing, and what was in the way of each route. */
final class MissesTest extends TestCase
{
    public function testWhatCameAndDidNothingIsKeptForAMinute(): void
    {
        $rig = self::rig();
        $rig->osc('/nobody', 1.0);
        $rig->pass(1.0);
        $rig->osc('/nobody', 2.0);
        $rig->osc('/a', 1.0);
        self::assertSame([['/nobody', 2]], self::came($rig), 'what a route took is no part of it');
        $rig->osc('/other', 1.0);
        self::assertSame([['/other', 1], ['/nobody', 2]], self::came($rig), 'the latest first');
        $rig->pass(58.5);
        self::assertSame([['/other', 1], ['/nobody', 2]], self::came($rig));
        $rig->pass(2.0);
        self::assertSame([], self::came($rig));
        $rig->osc('/nobody', 2.0);
        self::assertSame([['/nobody', 1]], self::came($rig), 'counted anew');
    }

    public function testEachReasonSaysWhatWouldHaveFitted(): void
    {
        $rig = self::rig([['kind' => 'least', 'value' => 10]]);
        $rig->osc('/a', 3.0);
        $rig->osc('/a', 4.0);
        $near = $rig->junction->routes->misses->nearly($rig->nanos())['r'];
        self::assertSame(
            ['wants at least 10, it is 4', ['value' => 4.0], 'if/0', 2],
            [$near->missed->reason, $near->missed->relax, $near->missed->part, $near->count],
        );
        self::assertSame('/a 4', $near->what(4));
        self::assertSame([['/a', 2]], self::came($rig));
        $rig->osc('/a', 40.0);
        self::assertSame([], self::came($rig), 'it has done something now');
    }

    public function testARouteThatIsSwitchedOffSaysSo(): void
    {
        $rig = self::rig([], false);
        $rig->osc('/a', 3.0);
        $near = $rig->junction->routes->misses->nearly($rig->nanos())['r'];
        self::assertSame(
            ['listens for this, but the route is switched off', ['enabled' => null], ''],
            [$near->missed->reason, $near->missed->relax, $near->missed->part],
        );
        $rig = self::rig();
        $rig->junction->set(Reference::parse('route:r/enabled') ?? self::fail(), 0, new Act('ada', 'Ada'), $rig->nanos());
        $rig->osc('/a', 3.0);
        self::assertSame([], $rig->junction->routes->misses->nearly($rig->nanos())['r']->missed->relax, 'the show says that it is on');
    }

    public function testOneOfSeveralTriggersIsNamedByItsPlace(): void
    {
        $rig = new Rig(['routes' => [[
            'id' => 'r',
            'name' => 'R',
            'when' => [['kind' => 'osc', 'port' => 'tablet', 'address' => '/x'], ['kind' => 'osc', 'port' => 'tablet', 'address' => '/a', 'is' => 7]],
            'do' => [['kind' => 'set', 'point' => 'slot:palm/9']],
        ]]]);
        $rig->osc('/a', 3.0);
        $missed = $rig->junction->routes->misses->nearly($rig->nanos())['r']->missed;
        self::assertSame(['when/1', ['is' => null]], [$missed->part, $missed->relax]);
    }

    public function testAFloodOfAddressesIsBounded(): void
    {
        $rig = self::rig();
        for ($i = 0; $i < 1000; ++$i) {
            $rig->osc("/flood/{$i}", 1.0);
        }
        $came = self::came($rig);
        self::assertSame([400, ['/flood/999', 1]], [\count($came), $came[0]]);
    }

    /** @param list<array<string, mixed>> $if */
    private static function rig(array $if = [], bool $enabled = true): Rig
    {
        return new Rig(['routes' => [[
            'id' => 'r',
            'name' => 'R',
            'enabled' => $enabled,
            'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/a'],
            'if' => $if,
            'do' => [['kind' => 'set', 'point' => 'slot:palm/9']],
        ]]]);
    }

    /** @return list<array{string, int}> */
    private static function came(Rig $rig): array
    {
        return array_map(
            static fn(Unanswered $one): array => [$one->message->address(), $one->count],
            $rig->junction->routes->misses->unanswered($rig->nanos()),
        );
    }
}
