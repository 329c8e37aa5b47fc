<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Port;

use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Core\Port\Activity;
use NimbleJunction\Core\Port\State;
use NimbleJunction\Core\Port\Unclaimed;
use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Signal\Remark;
use NimbleJunction\Core\Wire\ArtNet\NodePort;
use NimbleJunction\Core\Wire\ArtNet\PollReply;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** What a port tells of itself: rates, the last minute, its state, and the last thing heard in words. */
final class ActivityTest extends TestCase
{
    private const SECOND = 1_000_000_000;

    public function testRatesCountTheLastThreeWholeSeconds(): void
    {
        $activity = new Activity();
        for ($i = 0; $i < 160; ++$i) {
            $activity->heard(self::frame(), '127.0.0.11', 10 * self::SECOND + $i * 25_000_000);
        }
        self::assertSame(40.0, $activity->rate(14 * self::SECOND, true));
        self::assertSame(0.0, $activity->rate(14 * self::SECOND, false));
        self::assertEqualsWithDelta(13.3, $activity->rate(16 * self::SECOND, true), 0.1, 'one of three seconds');
        self::assertSame(0.0, $activity->rate(17 * self::SECOND, true));
        self::assertSame(160, $activity->received);
    }

    public function testTheMinuteRollsOver(): void
    {
        $activity = new Activity();
        for ($second = 0; $second < 200; ++$second) {
            for ($i = 0; $i <= $second % 3; ++$i) {
                $activity->said($second * self::SECOND + $i);
            }
        }
        $minute = $activity->minute(200 * self::SECOND, false);
        self::assertCount(60, $minute);
        self::assertSame([3, 1, 2, 3], [$minute[0], $minute[1], $minute[2], $minute[3]]);
        self::assertSame(2, $minute[59]);
        self::assertSame(array_fill(0, 60, 0), $activity->minute(1000 * self::SECOND, false), 'a long silence empties it');
    }

    public function testStates(): void
    {
        $activity = new Activity();
        $state = static fn(Protocol $protocol, float $seconds, bool $receives = true, bool $sends = true): State => $activity->state(
            $protocol,
            $receives,
            $sends,
            (int) ($seconds * self::SECOND),
        );
        self::assertSame(State::Waiting, $state(Protocol::ArtNet, 1));
        self::assertSame(State::Off, $state(Protocol::ArtNet, 1, false, false));
        self::assertSame(State::Quiet, $state(Protocol::ArtNet, 1, false));
        $activity->heard(self::frame(), '127.0.0.11', 2 * self::SECOND);
        self::assertSame(
            [State::Alive, State::Alive, State::Lost],
            [$state(Protocol::ArtNet, 3), $state(Protocol::ArtNet, 11.9), $state(Protocol::ArtNet, 12.1)],
            'Art-Net: lost after 10 s',
        );
        self::assertSame(
            [State::Alive, State::Lost],
            [$state(Protocol::Sacn, 4.4), $state(Protocol::Sacn, 4.6)],
            'sACN: lost after 2.5 s',
        );
        self::assertSame(
            [State::Alive, State::Quiet],
            [$state(Protocol::Osc, 4.9), $state(Protocol::Osc, 5.1)],
            'OSC that is silent is quiet, not lost',
        );
        $activity->said(9 * self::SECOND);
        self::assertSame([State::Alive, State::Quiet], [$state(Protocol::Osc, 10, false), $state(Protocol::Osc, 12, false)]);
        $activity->fault = 'the port is in use';
        self::assertSame(State::Fault, $state(Protocol::ArtNet, 3));
    }

    public function testTheLastThingHeardInWords(): void
    {
        $activity = new Activity();
        self::assertSame('', $activity->lastWords());
        $activity->heard(self::frame(), '127.0.0.11', 1);
        self::assertSame('512 slots of Art-Net port-address 4660 (18:3:4)', $activity->lastWords());
        $activity->heard(new Frame(Protocol::Sacn, 7, 'abc', 'x', priority: 150), '127.0.0.12', 1);
        self::assertSame('3 slots of sACN universe 7, priority 150', $activity->lastWords());
        $activity->heard(Osc::of('/doors', [1, 0.25, 'now']), '127.0.0.15', 1);
        self::assertSame('/doors 1 0.25 "now"', $activity->lastWords());
        $activity->heard(new Remark('a poll: who is there?'), '127.0.0.15', 1);
        self::assertSame(['a poll: who is there?', '127.0.0.15'], [$activity->lastWords(), $activity->heardFrom]);
    }

    public function testSendersAndRefusalsAreCountedAndBounded(): void
    {
        $activity = new Activity();
        for ($i = 0; $i < 100; ++$i) {
            $activity->heard(self::frame(), '127.0.1.'.($i % 50), 1);
            $activity->refuse('reason '.($i % 50));
        }
        self::assertCount(16, $activity->senders);
        self::assertSame(2, $activity->senders['127.0.1.0']);
        self::assertCount(32, $activity->refusals);
        self::assertSame([100, 2], [$activity->refused, $activity->refusals['reason 0']]);
        self::assertTrue((new Activity())->refuse('new'));
        self::assertFalse($activity->refuse('reason 0'));
    }

    public function testWhatNoPortAsksForIsRememberedAndBounded(): void
    {
        $unclaimed = new Unclaimed();
        self::assertTrue($unclaimed->heard('sACN universe 2', 2, '127.0.0.12', 5));
        self::assertFalse($unclaimed->heard('sACN universe 2', 2, '127.0.0.12', 6));
        self::assertSame([2, 6], [array_values($unclaimed->heard)[0]['count'], array_values($unclaimed->heard)[0]['at']]);
        for ($i = 0; $i < 100; ++$i) {
            $unclaimed->heard("sACN universe {$i}", $i, '127.0.0.13', 7);
        }
        self::assertCount(32, $unclaimed->heard);
        self::assertSame('sACN universe 99', array_values($unclaimed->heard)[31]['name'], 'the newest stay');
    }

    private static function frame(): Frame
    {
        return new Frame(Protocol::ArtNet, 0x1234, str_repeat("\0", 512), 'x');
    }

    /** A node beside a desk goes on answering polls: the desk that went is lost all the same. */
    public function testThatSomebodyIsThereDoesNotKeepADeskAlive(): void
    {
        $rig = new Rig(
            Rig::port(
                'house',
                [
                    'receive' => [
                        'address' => '127.0.0.1',
                        'poll' => ['127.0.0.16'],
                        'feeds' => [['number' => 1, 'universe' => 'palm']],
                    ],
                ],
            ),
        );
        $reply = (new PollReply('127.0.0.16', 'Node', 'Node', [NodePort::output(3)]))->encode();
        $state = static fn(): State => $rig->junction->activity('house')->state(Protocol::ArtNet, true, false, $rig->nanos());
        $rig->arrive(Rig::ART_NET, $reply, '127.0.0.16');
        self::assertSame(State::Waiting, $state());
        $rig->artNet([1 => 5]);
        self::assertSame(State::Alive, $state());
        for ($i = 0; $i < 5; ++$i) {
            $rig->pass(2.5);
            $rig->arrive(Rig::ART_NET, $reply, '127.0.0.16');
        }
        self::assertSame(State::Lost, $state());
        self::assertSame(['127.0.0.16' => 6, '127.0.0.11' => 1], $rig->junction->activity('house')->senders, 'it is counted');
        self::assertStringContainsString('512 slots', $rig->junction->activity('house')->lastWords());
    }
}
