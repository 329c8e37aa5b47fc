<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Port;

use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Universe\Universe;
use NimbleJunction\Core\Wire\ArtNet\Packet as ArtNet;
use NimbleJunction\Core\Wire\ArtNet\Poll;
use NimbleJunction\Core\Wire\ArtNet\PollReply;
use NimbleJunction\Core\Wire\ArtNet\Sync;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Core\Wire\Sacn\Packet as Sacn;
use NimbleJunction\Core\Wire\Sacn\Synchronization;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What Art-Net 4 and ANSI E1.31-2018 ask of whoever speaks them, from memory; each clause stands beside its check. */
final class StandardsTest extends TestCase
{
    /** E1.31-2018, 6.6.1 speaks of "non-changing data": that a universe becomes known is a change, whatever its levels. */
    public function testASourceWhoseFirstLevelsAreAllZeroIsSentOn(): void
    {
        $rig = new Rig();
        self::assertCount(3, $rig->artNet([]), 'to the sACN node, to the Art-Net one, and to the tablet that shows slot 5');
        self::assertSame([], $rig->artNet([]), 'the same again is no change');
        $stop = Rig::with(['whenLost' => 'stop']);
        $stop->artNet([1 => 9]);
        $stop->pass(10.1);
        self::assertTrue($stop->junction->universes()['palm']->hasStopped());
        self::assertCount(2, $stop->artNet([]), 'after it had stopped too');
    }

    /**
     * @return iterable<string, array{array<string, mixed>, int}> changes to the show, and how many packets say that it is
     * over
     */
    public static function endings(): iterable
    {
        yield 'the universe leaves the port' => [Rig::port('node', ['send' => ['to' => ['127.0.0.14'], 'carries' => []]]), 3];
        yield 'the port is switched off' => [Rig::port('node', ['enabled' => false]), 3];
        yield 'its sending is switched off' => [
            Rig::port(
                'node',
                ['send' => ['enabled' => false, 'to' => ['127.0.0.14'], 'carries' => [['number' => 7, 'universe' => 'palm']]]],
            ),
            3,
        ];
        yield 'another number' => [
            Rig::port('node', ['send' => ['to' => ['127.0.0.14'], 'carries' => [['number' => 8, 'universe' => 'palm']]]]),
            3,
        ];
        yield 'another address' => [
            Rig::port('node', ['send' => ['to' => ['127.0.0.20'], 'carries' => [['number' => 7, 'universe' => 'palm']]]]),
            3,
        ];
        yield 'one more address' => [
            Rig::port(
                'node',
                ['send' => ['to' => ['127.0.0.14', '127.0.0.20'], 'carries' => [['number' => 7, 'universe' => 'palm']]]],
            ),
            0,
        ];
        yield 'another name' => [Rig::port('node', ['name' => 'Another']), 0];
    }

    /**
     * E1.31-2018, 6.2.6: three packets with Stream_Terminated.
     *
     * @param array<string, mixed> $changes
     */
    #[DataProvider('endings')]
    public function testWhatLeavesTheShowIsToldThreeTimes(array $changes, int $told): void
    {
        $rig = new Rig();
        $rig->artNet([1 => 9]);
        $farewells = $rig->adopt($changes);
        $ends = array_map(
            static fn(OutgoingPacket $one) => Sacn::decode($one->bytes),
            array_filter($farewells, static fn(OutgoingPacket $one): bool => $one->address === '127.0.0.14'),
        );
        self::assertCount($told, $ends);
        foreach ($ends as $end) {
            self::assertInstanceOf(Data::class, $end);
            self::assertTrue($end->isTerminated());
            self::assertSame(7, $end->universe);
        }
    }

    public function testAnEndIsToldThreeTimesAndCountsOn(): void
    {
        $rig = new Rig();
        $rig->artNet([1 => 9]);
        $sent = array_map(static fn(array $one): OutgoingPacket => $one[1], $rig->pass(0.1));
        $before = array_values(array_filter($sent, static fn(OutgoingPacket $one): bool => $one->address === '127.0.0.14'));
        $ends = $rig->junction->end($rig->nanos());
        $sequence = static fn(OutgoingPacket $one): int => \ord($one->bytes[111]);
        self::assertSame(
            [1, 2, 3],
            array_map(static fn(OutgoingPacket $one): int => $sequence($one) - $sequence($before[\count($before) - 1]), $ends),
        );
        self::assertSame([], $rig->junction->end($rig->nanos()), 'once');
    }

    /**
     * E1.31-2018, 6.2.6: with Force_Synchronization 0 nothing is shown once synchronization is lost, until it is back;
     * with 1 it is.
     */
    public function testForceSynchronizationIsHonoured(): void
    {
        $pulse = (new Synchronization(str_pad('guest', 16), 500))->encode();
        foreach ([0 => 10, Data::FORCE_SYNCHRONISATION => 30] as $options => $shown) {
            $rig = new Rig();
            $rig->sacn([1 => 10], options: $options, sync: 500);
            $rig->arrive(Rig::SACN, $pulse, '127.0.0.12');
            $rig->sacn([1 => 20], options: $options, sync: 500);
            for ($second = 0; $second < 6; ++$second) {
                $rig->pass(1.0);
                $rig->sacn([1 => 30], options: $options, sync: 500);
            }
            self::assertSame($shown, $rig->level(1), "options {$options}");
            self::assertCount(1, $rig->junction->universes()['palm']->sources(), 'it sends all the time, so it is not lost');
            $rig->arrive(Rig::SACN, $pulse, '127.0.0.12');
            self::assertSame(30, $rig->level(1), 'synchronization is back');
        }
    }

    /** Start code 0xDD (common practice, no published source): priorities that come before the levels that they are for. */
    public function testPrioritiesBeforeTheFirstLevelsAreKept(): void
    {
        $rig = new Rig();
        $rig->artNet([1 => 50, 2 => 50]);
        $rig->sacn([1 => 150, 2 => 20], startCode: 0xDD);
        self::assertSame(50, $rig->level(1), 'there are no levels yet');
        $rig->sacn([1 => 10, 2 => 200]);
        self::assertSame([10, 50], $rig->levelsOf(1, 2), 'slot 1 has 150 against 100, slot 2 20 against 100');
        $late = new Rig();
        $late->sacn([1 => 150], startCode: 0xDD);
        $late->pass(3.0);
        $late->sacn([1 => 10]);
        self::assertSame(
            '',
            array_values($late->junction->universes()['palm']->sources())[0]->slotPriorities,
            'too old to mean these levels',
        );
    }

    /** E1.31-2018, 5.6: the CID says who sends; what carries ours is our own, brought back by multicast. */
    public function testOurOwnLevelsAreNeverASource(): void
    {
        $rig = new Rig();
        foreach ($rig->artNet([1 => 99]) as $packet) {
            if ($packet->address === '127.0.0.14') {
                $own = substr_replace($packet->bytes, "\0\x01", 113, 2);
                $rig->arrive(Rig::SACN, $own, '127.0.0.1');
            }
        }
        self::assertCount(1, $rig->junction->universes()['palm']->sources());
        self::assertSame(0, $rig->junction->activity('guest')->received);
    }

    /** E1.31-2018, 6.2.3.2: what cannot be merged for want of room must not be that of a higher priority. */
    public function testOfTooManySourcesThoseOfLowestPriorityGiveWay(): void
    {
        $rig = new Rig();
        for ($i = 0; $i < Universe::MOST_SOURCES; ++$i) {
            $rig->sacn([1 => 10], 100, \sprintf('crowd %03d', $i), 0);
        }
        $rig->sacn([1 => 11], 100, 'one more', 0);
        self::assertSame(10, $rig->level(1), 'of the same priority nobody gives way');
        $rig->sacn([1 => 200], 200, 'the desk', 0);
        self::assertSame(200, $rig->level(1));
        self::assertCount(Universe::MOST_SOURCES, $rig->junction->universes()['palm']->sources());
        self::assertStringContainsString('gave way to The desk, which has a higher priority', implode("\n", $rig->titles()));
    }

    /** E1.31-2018, 6.7.2: a receiver drops what seems older, so numbers go on over a restart, and a jump further. */
    public function testSequenceNumbersGoOnOverARestart(): void
    {
        $rig = new Rig();
        for ($i = 0; $i < 30; ++$i) {
            $rig->artNet([1 => $i]);
            $rig->pass(0.1);
        }
        $state = json_decode(
            json_encode($rig->junction->rooms()->state($rig->nanos()), JSON_THROW_ON_ERROR),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
        $numbers = static fn(array $packets): array => array_values(
            array_map(
                static fn(OutgoingPacket $one): int => \ord($one->bytes[111]),
                array_filter($packets, static fn(OutgoingPacket $one): bool => $one->address === '127.0.0.14'),
            ),
        );
        // More is sent after the state was written down, as much as a second's frames.
        $last = 0;
        for ($i = 0; $i < 40; ++$i) {
            $last = $numbers($rig->artNet([1 => 100 + $i]))[0] ?? $last;
            $rig->pass(0.025);
        }
        $again = new Rig();
        $again->junction->restore($state, $again->nanos());
        $first = $numbers(array_column($again->pass(0.1), 1))[0];
        $step = ($first - $last) & 255;
        self::assertTrue($step > 0 && $step < 128, "{$first} follows {$last} (a step of {$step})");
    }

    /** Art-Net 4, "ArtPollReply": to the protocol's port, whatever port asked, with the address that the asker reaches us by. */
    public function testPollsAreAnsweredAtTheProtocolsOwnPort(): void
    {
        $rig = new Rig();
        $answers = $rig->junction->arrived(Rig::ART_NET, '127.0.0.77', 40001, (new Poll())->encode(), $rig->nanos());
        self::assertSame(
            [['127.0.0.77', 0x1936, [10, 207]]],
            array_unique(
                array_map(static fn(OutgoingPacket $one): array => [$one->address, $one->port, $one->addressAt], $answers),
                SORT_REGULAR,
            ),
        );
        // Offsets of IpAddress and BindIp in the packet.
        $reply = substr_replace(substr_replace($answers[0]->bytes, "\x0A\x09\x08\x07", 10, 4), "\x0A\x09\x08\x06", 207, 4);
        $read = ArtNet::decode($reply);
        self::assertInstanceOf(PollReply::class, $read);
        self::assertSame(['10.9.8.7', '10.9.8.6'], [$read->address, $read->bindAddress]);
    }

    /** Art-Net 4, "ArtPoll": in targeted mode only nodes in the range answer; pages of four ports of one Net and Sub-Net. */
    public function testATargetedPollIsAnsweredInItsRangeAndAllPortAddressesAreNamed(): void
    {
        $feeds = array_map(static fn(int $number): array => ['number' => $number, 'universe' => 'palm'], range(0, 101));
        $rig = new Rig(Rig::port('house', ['receive' => ['address' => '127.0.0.1', 'feeds' => $feeds]]));
        $named = static function (array $answers): array {
            $numbers = [];
            foreach ($answers as $answer) {
                $reply = ArtNet::decode($answer->bytes);
                self::assertInstanceOf(PollReply::class, $reply);
                foreach ($reply->ports as $port) {
                    if ($port->isOutput()) {
                        $numbers[] = $reply->portAddress($port)->number;
                    }
                }
            }

            return $numbers;
        };
        $all = $rig->arrive(Rig::ART_NET, (new Poll())->encode());
        self::assertSame(range(0, 101), $named($all));
        self::assertSame(
            range(1, \count($all)),
            array_map(static fn(OutgoingPacket $one): int => ArtNet::decode($one->bytes)->bindIndex, $all),
            'bind indices run on',
        );
        $rig->pass(1);
        self::assertSame([48, 49, 50, 51], $named($rig->arrive(Rig::ART_NET, (new Poll(Poll::TARGETED, 0, 49, 49))->encode())));
        $rig->pass(1);
        self::assertSame([], $rig->arrive(Rig::ART_NET, (new Poll(Poll::TARGETED, 0, 3000, 2000))->encode()));
    }

    public function testAFloodOfPollsIsNotAnsweredWithAFlood(): void
    {
        $rig = new Rig();
        $fromOne = $fromMany = 0;
        for ($i = 0; $i < 200; ++$i) {
            $fromOne += \count($rig->arrive(Rig::ART_NET, (new Poll())->encode(), '127.0.0.40'));
        }
        self::assertSame(2, $fromOne, 'one page for what it takes, one for what it gives');
        $rig->pass(2);
        for ($i = 1; $i < 200; ++$i) {
            $fromMany += \count($rig->arrive(Rig::ART_NET, (new Poll())->encode(), "127.0.1.{$i}"));
        }
        self::assertSame(40, $fromMany, 'twenty answers a second, whoever asks');
    }

    /** Art-Net 4, "ArtSync": it is ignored while a node merges two addresses. */
    public function testArtSyncIsIgnoredWhileTwoAddressesAreMerged(): void
    {
        $rig = new Rig();
        $rig->artNet([1 => 10]);
        $rig->arrive(Rig::ART_NET, (new Sync())->encode());
        $rig->artNet([1 => 20]);
        self::assertSame(10, $rig->level(1), 'one address: held');
        $rig->artNet([2 => 99], '127.0.0.12');
        $rig->artNet([1 => 30]);
        self::assertSame([30, 99], $rig->levelsOf(1, 2), 'two: shown as they come');
        $rig->arrive(Rig::ART_NET, (new Sync())->encode());
        self::assertSame(30, $rig->level(1), 'what was held before is not shown after it');
    }

    /** Art-Net 4, "ArtDmx" asks for an even length; senders of odd ones are common (common practice, no source). */
    public function testOddLengthsAreAccepted(): void
    {
        $rig = new Rig();
        $rig->arrive(Rig::ART_NET, "Art-Net\0\x00\x50\x00\x0E\x00\x00\x01\x00\x00\x03\x07\x08\x09");
        self::assertSame([7, 8, 9], $rig->levelsOf(1, 2, 3));
    }

    public function testOneAddressMayHaveAPriorityOfItsOwn(): void
    {
        $rig = new Rig(
            Rig::port(
                'house',
                [
                    'receive' => [
                        'address' => '127.0.0.1',
                        'priority' => 100,
                        'priorities' => [['from' => '127.0.0.12', 'priority' => 150]],
                        'feeds' => [['number' => 1, 'universe' => 'palm']],
                    ],
                ],
            ),
        );
        $rig->artNet([1 => 200], '127.0.0.11');
        $rig->artNet([1 => 5], '127.0.0.12');
        self::assertSame(5, $rig->level(1));
        self::assertSame(
            [100, 150],
            array_values(
                array_map(static fn($source): ?int => $source->priority, $rig->junction->universes()['palm']->sources()),
            ),
        );
    }
}
