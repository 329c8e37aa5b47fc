<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use NimbleJunction\Core\Port\State;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Trace\Trace;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Core\Wire\ArtNet\NodePort;
use NimbleJunction\Core\Wire\ArtNet\Packet;
use NimbleJunction\Core\Wire\ArtNet\Poll;
use NimbleJunction\Core\Wire\ArtNet\PollReply;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

final class JunctionTest extends TestCase
{
    public function testAPollIsAnsweredWithOnePageForEachPortAddress(): void
    {
        $rig = new Rig();
        $left = $rig->arrive(Rig::ART_NET, (new Poll())->encode(), '127.0.0.99');
        $pages = array_map(static fn($packet) => Packet::decode($packet->bytes), $left);
        self::assertCount(2, $pages, 'what we listen to and what we send');
        self::assertContainsOnlyInstancesOf(PollReply::class, $pages);
        self::assertSame(['127.0.0.99', 6454], [$left[0]->address, $left[0]->port]);
        self::assertEquals(NodePort::output(1), $pages[0]->ports[0]);
        self::assertEquals(NodePort::input(9), $pages[1]->ports[0]);
        self::assertSame([1, 2], [$pages[0]->bindIndex, $pages[1]->bindIndex]);
    }

    public function testAUniverseThatNoPortAsksForIsNamed(): void
    {
        $rig = new Rig();
        $rig->artNet([1 => 255], '127.0.0.11', 0);
        $rig->artNet([1 => 255], '127.0.0.11', 0);
        self::assertSame(0, $rig->level(1));
        $heard = array_values($rig->junction->unclaimed()[Rig::ART_NET]->heard);
        self::assertSame(
            ['name' => 'Art-Net port-address 0 (0:0:0)', 'number' => 0, 'from' => '127.0.0.11', 'count' => 2],
            \array_slice($heard[0], 0, 4),
        );
        self::assertStringContainsString('no port listens to it', implode("\n", $rig->titles()));
    }

    public function testBrokenPacketsAreCountedShownAndNeverThrown(): void
    {
        $rig = new Rig();
        $rig->artNet([1 => 50]);
        mt_srand(3);
        for ($i = 0; $i < 2000; ++$i) {
            $bytes = '';
            for ($length = mt_rand(0, 60); $length > 0; --$length) {
                $bytes .= \chr(mt_rand(0, 255));
            }
            $rig->arrive([Rig::ART_NET, Rig::SACN, Rig::OSC][$i % 3], mt_rand(0, 1) === 1 ? "Art-Net\0{$bytes}" : $bytes);
        }
        self::assertSame(50, $rig->level(1));
        self::assertGreaterThan(600, $rig->junction->activity('house')->refused);
        self::assertLessThanOrEqual(32, \count($rig->junction->activity('house')->refusals));
        self::assertLessThanOrEqual(Trace::LENGTH, \count($rig->junction->trace->since(0, 10_000)));
        self::assertMatchesRegularExpression('/^refused: .+, at byte \d+ \(.+\)$/', $rig->hops('refused')[1]);
    }

    public function testAnEndpointThatIsNotInThePlanIsNotHeard(): void
    {
        self::assertSame([], (new Rig())->arrive('art-net 127.0.0.9:1', 'x'));
    }

    /**
     * A desk that thins its output sends about two packets a second, full rate is about 40 (common practice, no source):
     * both are alive.
     */
    public function testBothAThinAndAFullRateReadAsAlive(): void
    {
        $rig = new Rig();
        for ($i = 0; $i < 10; ++$i) {
            $rig->artNet([1 => 1]);
            $rig->pass(0.5);
            $activity = $rig->junction->activity('house');
            self::assertSame(State::Alive, $activity->state(Protocol::ArtNet, true, false, $rig->nanos()));
        }
        self::assertEqualsWithDelta(2.0, $rig->junction->activity('house')->rate($rig->nanos(), true), 0.4);
        $rig->pass(10);
        self::assertSame(State::Lost, $rig->junction->activity('house')->state(Protocol::ArtNet, true, false, $rig->nanos()));
        self::assertSame(State::Waiting, $rig->junction->activity('guest')->state(Protocol::Sacn, true, false, $rig->nanos()));
        self::assertCount(60, $rig->junction->activity('house')->minute($rig->nanos(), true));
        self::assertSame(10, array_sum($rig->junction->activity('house')->minute($rig->nanos(), true)));
    }

    public function testAfterARestartEverythingGoesOnFromTheSnapshot(): void
    {
        $rig = new Rig();
        $rig->artNet([1 => 100, 2 => 30]);
        $rig->sacn([1 => 60, 2 => 200]);
        $rig->osc('/lamp', 0.5);
        $rig->junction->hold('palm', [new Hold(8, 44, 'Ada', $rig->nanos() + 60_000_000_000)], $rig->nanos());
        $json = json_encode($rig->junction->rooms()->state($rig->nanos()), JSON_THROW_ON_ERROR);

        $next = new Rig();
        $next->junction->restore(json_decode($json, true), $next->nanos());
        self::assertSame($rig->junction->universes()['palm']->levels, $next->junction->universes()['palm']->levels);
        self::assertNotEmpty($next->pass(0.01), 'levels leave before any source is back');
        $next->artNet([1 => 100, 2 => 30]);
        self::assertSame(
            [100, 200, 128, 44],
            [$next->level(1), $next->level(2), $next->level(5), $next->level(9)],
            'one source back: the other is still remembered',
        );
        $next->pass(2.6);
        self::assertSame([100, 30], [$next->level(1), $next->level(2)], 'the other did not come back in its time');
        $next->pass(58);
        self::assertSame(0, $next->level(9), 'the hold ends when it would have');
    }

    public function testASnapshotThatIsRubbishIsLeftOut(): void
    {
        $rig = new Rig();
        foreach ([
            [],
            ['universes' => 7],
            [
                'universes' => [
                    'palm' => [
                        'sources' => [['key' => []]],
                        'holds' => [['slot' => 900, 'level' => 1, 'left' => 5]],
                        'merged' => 3,
                    ],
                ],
            ],
        ] as $rubbish) {
            $rig->junction->restore($rubbish, $rig->nanos());
        }
        self::assertSame([], $rig->junction->universes()['palm']->wayOut()->holds());
    }

    public function testLikeEventsWithinASecondAreOne(): void
    {
        $rig = new Rig();
        for ($i = 0; $i < 10; ++$i) {
            $rig->osc('/lamp', $i / 10);
            $rig->pass(0.05);
        }
        $messages = array_values(
            array_filter($rig->junction->trace->since(0, 500), static fn($event): bool => $event->kind->value === 'message'),
        );
        self::assertCount(1, $messages);
        self::assertSame(10, $messages[0]->count);
        $revision = $rig->junction->trace->revision();
        self::assertSame([], $rig->junction->trace->since($revision, 10));
        $rig->pass(1);
        $rig->osc('/lamp', 0.0);
        self::assertCount(1, $rig->junction->trace->since($revision, 10));
    }
}
