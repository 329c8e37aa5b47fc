<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Route\Scale;
use NimbleJunction\Core\Wire\Osc\Packet;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

final class RoutingTest extends TestCase
{
    public function testAMessageSetsASlotAndTheTraceShowsEveryHop(): void
    {
        $rig = new Rig();
        $left = $rig->osc('/lamp', 0.5);
        self::assertSame(128, $rig->level(5));
        self::assertCount(2, $left, 'both outputs, and no echo to the tablet');
        self::assertSame([
            'heard: Tablet heard 16 bytes from 127.0.0.15:6454',
            'decoded: /lamp 0.5',
            'matched: "Fader in" takes argument 1: 0.5 → 127.5',
            'changed: slot 5 of Palm House from 0 to 128',
            'sent: Node sent sACN universe 7 to 127.0.0.14:5568',
            'sent: Net sent port-address 9 to 127.0.0.16:6454',
        ], $rig->hops('message'));
    }

    /** One call is one turn: no frame carries half an event, copies of what it changed included. */
    public function testAMessageThatThreeRoutesTakeLeavesAsOneFrame(): void
    {
        $routes = array_map(
            static fn(int $slot): array => [
                'id' => "r{$slot}",
                'name' => "Route {$slot}",
                'from' => ['kind' => 'message', 'port' => 'tablet', 'address' => '/all'],
                'to' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => $slot],
            ],
            [1, 2, 3],
        );
        $universes = [['id' => 'palm', 'name' => 'Palm House'], ['id' => 'roof', 'name' => 'Roof']];
        $ports = Rig::port(
            'net',
            [
                'send' => [
                    'to' => ['127.0.0.16'],
                    'carries' => [['number' => 9, 'universe' => 'palm'], ['number' => 10, 'universe' => 'roof']],
                ],
            ],
        )['ports'];
        $rig = new Rig(
            [
                'universes' => $universes,
                'ports' => $ports,
                'routes' => $routes,
                'copies' => [
                    [
                        'id' => 'twin',
                        'name' => 'Twin',
                        'from' => ['universe' => 'palm', 'first' => 1, 'count' => 3],
                        'to' => ['universe' => 'roof', 'first' => 11],
                    ],
                ],
            ],
        );
        $left = array_filter($rig->osc('/all', 1.0), static fn($one): bool => $one->address === '127.0.0.16');
        $levels = array_map(
            static fn($one): array => [\ord($one->bytes[14]), trim(substr($one->bytes, 18), "\0")],
            array_values($left),
        );
        self::assertSame([[9, "\xFF\xFF\xFF"], [10, "\xFF\xFF\xFF"]], $levels);
        self::assertSame(
            [],
            array_filter($rig->pass(0.5), static fn(array $one): bool => $one[1]->address === '127.0.0.16'),
            'and nothing follows that',
        );
    }

    public function testASlotMovedByADeskIsToldToTheTablet(): void
    {
        $rig = new Rig();
        $told = self::told($rig->artNet([5 => 255]));
        self::assertSame([1.0], $told);
        self::assertSame([], self::told(array_column($rig->pass(5), 1)), 'once is enough');
        self::assertEqualsWithDelta([0.2], self::told($rig->artNet([5 => 51])), 1e-6);
    }

    public function testNoMessageGoesBackWhileAHandIsOnTheFaderAndTheTruthFollowsWhenItRests(): void
    {
        $rig = new Rig();
        $rig->artNet([5 => 200]);
        $rig->pass(1);
        for ($i = 0; $i < 20; ++$i) {
            $told = [...self::told($rig->osc('/lamp', $i / 100)), ...self::told(array_column($rig->pass(0.05), 1))];
            self::assertSame([], $told, 'the desk is higher, but the hand is moving');
        }
        self::assertEqualsWithDelta([200 / 255], self::told(array_column($rig->pass(1), 1)), 1e-6);
        self::assertStringContainsString('was asked for 48 and is 200. House desk: ', implode("\n", $rig->hops('message')));
    }

    public function testTwoProgramsThatEchoEachOtherDoNotLoop(): void
    {
        $rig = new Rig();
        $left = [...$rig->artNet([5 => 77]), ...array_column($rig->pass(0.1), 1)];
        for ($round = $sent = 0; $round < 200; ++$round) {
            foreach (self::told($left) as $value) {
                ++$sent;
                $left = $rig->osc('/lamp', $value);
            }
            $left = array_column($rig->pass(0.1), 1);
        }
        self::assertLessThanOrEqual(2, $sent);
    }

    public function testFastMovesAreToldAtMostFortyTimesASecond(): void
    {
        $rig = new Rig();
        $told = [];
        for ($i = 0; $i < 500; ++$i) {
            array_push($told, ...self::told($rig->artNet([5 => $i % 251])), ...self::told(array_column($rig->pass(0.002), 1)));
        }
        self::assertLessThanOrEqual(41, \count($told));
        self::assertGreaterThan(30, \count($told));
        self::assertSame([], self::told($rig->artNet([5 => 499 % 251])));
    }

    public function testNearMissesAreNamed(): void
    {
        $rig = new Rig();
        $rig->osc('/Lamp', 1.0);
        self::assertContains('nearly: "Fader in" listens for /lamp: capital letters differ', $rig->hops('message'));
        $rig->osc('/lamb', 1.0);
        self::assertContains('nearly: "Fader in" listens for /lamp: 1 character differs', $rig->hops('message'));
        $rig->osc('/lamp', 'full');
        self::assertContains('nearly: "Fader in" wants a number as argument 1, there is none', $rig->hops('message'));
        $rig->osc('/something/else', 1);
        self::assertContains('unmatched: no route listens for /something/else on Tablet', $rig->hops('message'));
        $document = Rig::document();
        $document['routes'][0]['enabled'] = false;
        $rig->adopt($document);
        $rig->osc('/lamp', 1.0);
        self::assertContains('nearly: "Fader in" listens for this, but the route is switched off', $rig->hops('message'));
        self::assertSame(0, $rig->level(5));
    }

    public function testRangesAreScaledBothWaysAndInverted(): void
    {
        $scale = new Scale(0, 1, 10, 131);
        self::assertSame([10.0, 70.5, 131.0, 10.0, 131.0], array_map($scale->apply(...), [0, 0.5, 1, -3, 7]));
        $inverted = new Scale(0, 255, 100, -100);
        self::assertSame([100.0, -100.0], [$inverted->apply(0), $inverted->apply(255)]);
        self::assertSame(255.0, $inverted->reversed()->apply(-100));
        self::assertSame(10.0, $scale->apply(\NAN), 'not a number is the low end');
        self::assertSame(131.0, $scale->apply(\INF));
        self::assertSame(3.0, (new Scale(5, 5, 3, 9))->apply(5), 'an empty range is its low end');
        for ($level = 0; $level <= 255; ++$level) {
            self::assertSame(
                $level,
                (int) floor((new Scale(0, 1, 0, 255))->apply((new Scale(0, 255, 0, 1))->apply($level)) + 0.5),
            );
        }
    }

    /** Ten thousand routes: only those of the address are looked at. */
    public function testManyRoutesAreFoundByTheirAddress(): void
    {
        $document = Rig::document();
        for ($i = 0; $i < 2000; ++$i) {
            $document['routes'][] = [
                'id' => "r{$i}",
                'name' => "R {$i}",
                'from' => ['kind' => 'message', 'port' => 'tablet', 'address' => "/many/{$i}"],
                'to' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => $i % 512 + 1],
            ];
        }
        $rig = new Rig($document);
        $rig->osc('/many/1999', 1.0);
        self::assertSame(255, $rig->level(1999 % 512 + 1));
        self::assertCount(1, $rig->junction->plan()->index->byAddress()['tablet']['/many/1999']);
    }

    /**
     * @param list<OutgoingPacket> $left
     *
     * @return list<float> what the tablet was told
     */
    private static function told(array $left): array
    {
        $told = [];
        foreach ($left as $packet) {
            if ($packet->address === '127.0.0.15') {
                $value = Packet::decode($packet->bytes)[0]->arguments[0]->value;
                $told[] = (float) $value;
            }
        }

        return $told;
    }
}
