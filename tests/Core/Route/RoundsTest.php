<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Route;

use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Two programs that send each other what they hear, through two of our routes and by different addresses. */
final class RoundsTest extends TestCase
{
    public function testValuesThatComeBackNameBothRoutesAndStopNeither(): void
    {
        $rig = self::rig();
        $this->goRound($rig, $rig->osc('/first', 0.5), 40);
        self::assertStringContainsString(
            'keep each other going: what one sends comes back, and the other sends it on',
            implode("\n", $rig->allHops()),
        );
        self::assertSame(
            ['back', 'out'],
            [$rig->junction->routes->rounds->partner('out', $rig->nanos()), $rig->junction->routes->rounds->partner('back', $rig->nanos())],
        );
        $rig->now += 20.0;
        self::assertNull($rig->junction->routes->rounds->partner('out', $rig->nanos()), 'it is over');
        self::assertNotSame([], $rig->osc('/first', 0.6), 'neither is stopped');
    }

    /** A hand on a fader of the one, which the other says back: it looks alike, but for the values. */
    public function testAHandThatMovesIsNoRound(): void
    {
        $rig = self::rig();
        for ($i = 0; $i < 60; ++$i) {
            $rig->now += 0.02;
            $rig->osc('/first', $i / 60);
            $rig->now += 0.005;
            $rig->osc('/second', $i / 60);
        }
        self::assertStringNotContainsString('keep each other going', implode("\n", $rig->allHops()));
        self::assertNull($rig->junction->routes->rounds->partner('out', $rig->nanos()));
    }

    public function testOneThatRepeatsItselfAndSlowTalkAreNoRound(): void
    {
        $rig = self::rig();
        for ($i = 0; $i < 40; ++$i) {
            $rig->now += 0.02;
            $rig->osc('/first', 1.0);
        }
        for ($i = 0; $i < 40; ++$i) {
            $rig->now += 0.3;
            $rig->osc($i % 2 === 0 ? '/first' : '/second', 1.0);
        }
        self::assertStringNotContainsString('keep each other going', implode("\n", $rig->allHops()));
    }

    /** @param list<OutgoingPacket> $packets */
    private function goRound(Rig $rig, array $packets, int $times): void
    {
        for ($i = 0; $i < $times; ++$i) {
            $rig->now += 0.004;
            $next = [];
            foreach ($packets as $packet) {
                $message = Message::decode($packet->bytes);
                array_push($next, ...$rig->osc($message->address === '/to-second' ? '/second' : '/first', 0.5));
            }
            $packets = $next;
        }
    }

    private static function rig(): Rig
    {
        $route = static fn(string $id, string $name, string $from, string $to): array => [
            'id' => $id,
            'name' => $name,
            'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => $from],
            'do' => [['kind' => 'send', 'port' => 'tablet', 'message' => ['kind' => 'osc', 'address' => $to, 'arguments' => [['kind' => 'float']]]]],
        ];

        return new Rig(['routes' => [$route('out', 'Out', '/first', '/to-second'), $route('back', 'Back', '/second', '/to-first')]]);
    }
}
