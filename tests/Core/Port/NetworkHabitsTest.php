<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Port;

use NimbleJunction\Core\Discovery\DiscoveredPort;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Wire\ArtNet\NodePort;
use NimbleJunction\Core\Wire\ArtNet\Packet as ArtNet;
use NimbleJunction\Core\Wire\ArtNet\Poll;
use NimbleJunction\Core\Wire\ArtNet\PollReply;
use NimbleJunction\Core\Wire\ArtNet\Sync;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Core\Wire\Sacn\Discovery;
use NimbleJunction\Core\Wire\Sacn\Packet as Sacn;
use NimbleJunction\Core\Wire\Sacn\Synchronization;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/**
 * Polling, discovery, synchronisation, signs of life: Art-Net 4 and ANSI E1.31-2018, from memory; each clause stands
 * beside its check.
 */
final class NetworkHabitsTest extends TestCase
{
    /** Art-Net 4, "ArtPoll": a controller polls every 2.5 to 3 s. */
    public function testWePollAndFindNodesWithTheirNames(): void
    {
        $rig = new Rig(Rig::port('house', ['receive' => ['address' => '127.0.0.1', 'poll' => ['127.0.0.255'], 'feeds' => []]]));
        $polls = array_values(
            array_filter($rig->pass(10.0), static fn(array $left): bool => ArtNet::decode($left[1]->bytes) instanceof Poll),
        );
        self::assertContains(\count($polls), [4, 5]);
        self::assertSame(['127.0.0.255', 6454, Rig::ART_NET], [$polls[0][1]->address, $polls[0][1]->port, $polls[0][1]->via]);
        self::assertGreaterThanOrEqual(2.5, $polls[1][0] - $polls[0][0]);
        self::assertLessThanOrEqual(3.0, $polls[1][0] - $polls[0][0]);
        foreach ([[1, 0x125], [2, 0x126]] as [$index, $number]) {
            $reply = new PollReply(
                '127.0.0.40',
                'Roof',
                'Roof node',
                [NodePort::output($number & 15), NodePort::input($number + 4 & 15)],
                $number >> 8,
                $number >> 4 & 15,
                $index,
            );
            $rig->arrive(Rig::ART_NET, $reply->encode(), '127.0.0.40');
        }
        $node = $rig->junction->neighbours()->all($rig->nanos())[0];
        self::assertSame(
            ['Roof node', '127.0.0.40', [0x125, 0x126], [0x129, 0x12A]],
            [$node->name, $node->address, $node->takes($rig->nanos()), $node->gives($rig->nanos())],
            'two pages are one node',
        );
        self::assertStringContainsString('15-bit port-addresses', $node->details);
        self::assertContains('Roof node is there, at 127.0.0.40 (Art-Net)', $rig->titles());
        $rig->pass(8.0);
        self::assertFalse($node->isLost($rig->nanos()));
        $rig->pass(2.0);
        self::assertTrue($node->isLost($rig->nanos()), 'silent over three polls');
        self::assertSame([0x125, 0x126], $node->takes($rig->nanos()), 'what it was is still shown');
        $rig->pass(120);
        self::assertSame([], $rig->junction->neighbours()->all($rig->nanos()));
    }

    public function testWeDoNotFindOurselves(): void
    {
        $rig = new Rig(
            Rig::port(
                'node',
                ['send' => ['to' => ['127.0.0.14'], 'announce' => true, 'carries' => [['number' => 7, 'universe' => 'palm']]]],
            ),
        );
        foreach ($rig->pass(1) as [, $packet]) {
            $rig->arrive(Rig::SACN, $packet->bytes, '127.0.0.1');
        }
        foreach ($rig->arrive(Rig::ART_NET, (new Poll())->encode()) as $answer) {
            $rig->arrive(Rig::ART_NET, $answer->bytes, '127.0.0.1');
        }
        self::assertSame('our own poll reply', $rig->junction->activity('house')->lastWords());
        self::assertSame([], $rig->junction->neighbours()->all($rig->nanos()));
        self::assertSame('our own universe discovery', $rig->junction->activity('guest')->lastWords());
    }

    /** ANSI E1.31-2018, 4.3 and 8: every ten seconds, sorted, to universe 64214. */
    public function testOurUniversesAreAnnouncedAndThoseOfOthersFound(): void
    {
        $rig = new Rig(
            Rig::port(
                'node',
                [
                    'send' => [
                        'address' => '127.0.0.1',
                        'multicast' => true,
                        'sourceName' => 'Junction',
                        'carries' => [['number' => 9, 'universe' => 'palm'], ['number' => 7, 'universe' => 'palm']],
                    ],
                ],
            ),
        );
        $left = $rig->pass(25);
        self::assertSame([1000.0, 1010.0, 1020.0], array_column($left, 0));
        $packet = Sacn::decode($left[0][1]->bytes);
        self::assertInstanceOf(Discovery::class, $packet);
        self::assertSame(
            [[7, 9], 'Junction', '239.255.250.214'],
            [$packet->universes, $packet->sourceName, $left[0][1]->address],
        );
        $rig->arrive(Rig::SACN, (new Discovery(str_repeat('X', 16), 'Media', [3, 4]))->encode(), '127.0.0.50');
        $found = $rig->junction->neighbours()->all($rig->nanos())[0];
        self::assertSame(
            ['Media', '127.0.0.50', [3, 4], []],
            [$found->name, $found->address, $found->gives($rig->nanos()), $found->takes($rig->nanos())],
        );
        $rig->pass(20);
        $rig->arrive(Rig::SACN, (new Discovery(str_repeat('X', 16), 'Media', [4]))->encode(), '127.0.0.50');
        self::assertSame([3, 4], $found->gives($rig->nanos()), 'one page may have been lost on its way');
        $rig->pass(10);
        $rig->arrive(Rig::SACN, (new Discovery(str_repeat('X', 16), 'Media', [4]))->encode(), '127.0.0.50');
        self::assertSame([4], $found->gives($rig->nanos()));
    }

    /** Art-Net 4, "ArtSync": frames wait for it, and no longer than 4 s. */
    public function testArtNetFramesWaitForTheirSync(): void
    {
        $rig = new Rig([
            'universes' => [['id' => 'palm', 'name' => 'Palm House'], ['id' => 'fern', 'name' => 'Fern Gallery']],
            ...Rig::port(
                'house',
                [
                    'receive' => [
                        'address' => '127.0.0.1',
                        'feeds' => [['number' => 1, 'universe' => 'palm'], ['number' => 2, 'universe' => 'fern']],
                    ],
                ],
            ),
        ]);
        $rig->artNet([1 => 10]);
        self::assertSame(10, $rig->level(1), 'nobody synchronises yet');
        $rig->arrive(Rig::ART_NET, (new Sync())->encode());
        $rig->artNet([1 => 20]);
        $rig->artNet([1 => 30]);
        self::assertSame(10, $rig->level(1), 'held');
        $rig->artNet([2 => 99], '127.0.0.12', 2);
        self::assertSame([10, 99], [$rig->level(1), $rig->level(2, 'fern')], 'another sender is not kept waiting');
        $rig->arrive(Rig::ART_NET, (new Sync())->encode(), '127.0.0.12');
        self::assertSame(10, $rig->level(1), 'nor does its sync release ours');
        $rig->arrive(Rig::ART_NET, (new Sync())->encode());
        self::assertSame(30, $rig->level(1), 'the newest');
        $rig->artNet([1 => 40]);
        $rig->pass(3.9);
        self::assertSame(30, $rig->level(1));
        $rig->pass(0.2);
        self::assertSame(40, $rig->level(1), 'let go when no sync comes');
        $rig->artNet([1 => 50]);
        self::assertSame(50, $rig->level(1), 'and taken as they come from then on');
    }

    /** ANSI E1.31-2018, 11.1.1: data with a synchronization address waits once that address is heard. */
    public function testSacnFramesWaitForTheirSynchronizationPacket(): void
    {
        $rig = new Rig();
        $pulse = static fn(int $universe): string => (new Synchronization(str_pad('guest', 16), $universe))->encode();
        $rig->sacn([1 => 10], sync: 500);
        self::assertSame(10, $rig->level(1), 'no synchronization packet has ever come: shown at once');
        $rig->arrive(Rig::SACN, $pulse(500), '127.0.0.12');
        $rig->sacn([1 => 20], sync: 500);
        self::assertSame(10, $rig->level(1));
        $rig->arrive(Rig::SACN, $pulse(501), '127.0.0.12');
        self::assertSame(10, $rig->level(1), 'another address');
        $rig->arrive(Rig::SACN, $pulse(500), '127.0.0.12');
        self::assertSame(20, $rig->level(1));
        $rig->sacn([1 => 30]);
        self::assertSame(30, $rig->level(1), 'without an address it never waits');
    }

    public function testOurFramesAreFollowedByASyncPacketOnceAMoment(): void
    {
        $ports = Rig::port(
            'net',
            [
                'send' => [
                    'to' => ['127.0.0.16'],
                    'sync' => true,
                    'carries' => [['number' => 9, 'universe' => 'palm'], ['number' => 10, 'universe' => 'palm']],
                ],
            ],
        )['ports'];
        $ports[3]['send']['syncUniverse'] = 321;
        $rig = new Rig(['ports' => $ports]);
        $left = $rig->sacn([1 => 1]);
        $artNet = array_values(array_filter($left, static fn(OutgoingPacket $one): bool => $one->address === '127.0.0.16'));
        self::assertCount(3, $artNet);
        self::assertInstanceOf(Sync::class, ArtNet::decode($artNet[2]->bytes), 'after both universes');
        $sacn = array_values(array_filter($left, static fn(OutgoingPacket $one): bool => $one->address === '127.0.0.14'));
        $data = Sacn::decode($sacn[0]->bytes);
        $pulse = Sacn::decode($sacn[1]->bytes);
        self::assertInstanceOf(Data::class, $data);
        self::assertInstanceOf(Synchronization::class, $pulse);
        self::assertSame([321, 321, 0], [$data->synchronisation, $pulse->address, $pulse->sequence]);
        $next = array_values(array_filter($rig->pass(0.03), static fn(array $one): bool => $one[1]->address === '127.0.0.14'));
        self::assertSame(1, \ord($next[1][1]->bytes[44]), 'its own sequence number counts up (table 4-2)');
    }

    /** Start code 0xDD beside the levels, about once a second, in one numbering (common practice, no published source). */
    public function testOurSlotsHavePrioritiesOfTheirOwn(): void
    {
        $rig = new Rig(
            Rig::port(
                'node',
                [
                    'send' => [
                        'to' => ['127.0.0.14'],
                        'priority' => 90,
                        'slotPriorities' => [['first' => 2, 'last' => 3, 'priority' => 150]],
                        'carries' => [['number' => 7, 'universe' => 'palm']],
                    ],
                ],
            ),
        );
        $left = array_merge(array_map(static fn(OutgoingPacket $one): array => [1000.0, $one], $rig->sacn([1 => 1])), $rig->pass(0.5));
        for ($i = 0; $i < 4; ++$i) {
            $rig->sacn([1 => 1]);
            array_push($left, ...$rig->pass(0.5));
        }
        $packets = array_map(
            static fn(array $one) => Sacn::decode($one[1]->bytes),
            array_values(array_filter($left, static fn(array $one): bool => $one[1]->address === '127.0.0.14')),
        );
        self::assertContainsOnlyInstancesOf(Data::class, $packets);
        $priorities = array_values(array_filter($packets, static fn(Data $one): bool => $one->startCode === 0xDD));
        self::assertSame([90, 150, 150, 90], array_map(\ord(...), str_split(substr($priorities[0]->levels, 0, 4))));
        self::assertGreaterThanOrEqual(2, \count($priorities));
        self::assertSame(0xDD, $packets[0]->startCode, 'whoever hears us first knows them before the levels');
        self::assertSame(range(0, \count($packets) - 1), array_map(static fn(Data $one): int => $one->sequence, $packets));
        $other = new Rig(
            cid: str_repeat('O', 16),
            changes: Rig::port(
                'guest',
                ['receive' => ['address' => '127.0.0.1', 'feeds' => [['number' => 7, 'universe' => 'palm']]]],
            ),
        );
        foreach ($left as [, $packet]) {
            $other->arrive(Rig::SACN, $packet->bytes, '127.0.0.1');
        }
        self::assertSame(
            150,
            \ord(array_values($other->junction->universes()['palm']->sources())[0]->slotPriorities[1]),
            'another junction understands it',
        );
    }

    public function testASignOfLifeIsSentAllTheTime(): void
    {
        $rig = new Rig(
            Rig::port(
                'tablet',
                ['send' => ['to' => ['127.0.0.15'], 'port' => 9000, 'heartbeat' => '/alive', 'heartbeatSeconds' => 0.5]],
            ),
        );
        $left = $rig->pass(2.1);
        self::assertSame([1000.0, 1000.5, 1001.0, 1001.5, 1002.0], array_column($left, 0));
        // OSC 1.0: an address padded to four bytes, an empty list of type tags
        self::assertSame("/alive\0\0,\0\0\0", $left[0][1]->bytes);
        $rig->adopt(
            [
                'name' => 'Renamed',
                ...Rig::port(
                    'tablet',
                    ['send' => ['to' => ['127.0.0.15'], 'port' => 9000, 'heartbeat' => '/alive', 'heartbeatSeconds' => 0.5]],
                ),
            ],
        );
        self::assertCount(1, $rig->pass(0.5), 'an edit does not break its rhythm');
    }

    public function testReplyingToWhoeverSpokeLast(): void
    {
        $rig = new Rig(Rig::port('tablet', ['send' => ['to' => [], 'port' => 9000, 'replies' => true]]));
        $rig->sacn([5 => 100]);
        $rig->pass(1);
        self::assertStringContainsString('no address to send to', implode("\n", $rig->allHops()));
        $rig->osc('/hello');
        $rig->sacn([5 => 101]);
        $rig->pass(1);
        $told = array_values(array_filter($rig->sacn([5 => 102]), static fn(OutgoingPacket $one): bool => $one->port === 9000));
        self::assertSame(
            ['127.0.0.15', Rig::OSC],
            [$told[0]->address, $told[0]->via],
            'from our receive port, to the port number of the show',
        );
    }

    public function testOnlyAllowedSendersAreHeard(): void
    {
        $rig = new Rig(Rig::port('house', ['allow' => ['127.0.0.8/30', '10.1.2.3']]));
        $rig->artNet([1 => 10], '127.0.0.11');
        self::assertSame(10, $rig->level(1), '127.0.0.8/30 is .8 to .11');
        $rig->artNet([1 => 99], '127.0.0.12');
        $rig->arrive(Rig::ART_NET, 'rubbish', '127.0.0.13');
        self::assertSame(10, $rig->level(1));
        $activity = $rig->junction->activity('house');
        self::assertSame([1, 2], [$activity->received, $activity->refused]);
        self::assertSame(1, $activity->refusals['127.0.0.12 is not among the senders that this port listens to']);
        self::assertStringContainsString('only to 127.0.0.8/30, 10.1.2.3', implode("\n", $rig->titles()));
    }

    public function testAnInterfaceWithFewerLinesLeavesTheLastRanksOut(): void
    {
        $carries = [
            ['number' => 9, 'universe' => 'palm', 'rank' => 3],
            ['number' => 10, 'universe' => 'palm', 'rank' => 1],
            ['number' => 11, 'universe' => 'palm', 'rank' => 2],
        ];
        $rig = new Rig(Rig::port('net', ['send' => ['to' => ['127.0.0.16'], 'lines' => 2, 'carries' => $carries]]));
        $numbers = [];
        foreach ($rig->sacn([1 => 1]) as $packet) {
            if ($packet->address === '127.0.0.16') {
                $numbers[] = ArtNet::decode($packet->bytes)->portAddress;
            }
        }
        self::assertSame([10, 11], $numbers);
    }

    public function testAFindBecomesAPortWithUniversesOfItsOwn(): void
    {
        [$document, $id] = DiscoveredPort::apply(
            Rig::document(),
            [
                'protocol' => 'art-net',
                'name' => 'House desk',
                'address' => '127.0.0.40',
                'ours' => '127.0.0.1',
                'gives' => [5],
                'takes' => [6, 7],
            ],
        );
        $show = ShowReader::fromArray($document);
        self::assertSame('house-desk', $id);
        self::assertSame(['127.0.0.40'], $show->ports[$id]->send->to);
        self::assertSame([6, 7], array_column($show->ports[$id]->send->carries, 'number'));
        self::assertSame('House desk 5', $show->universes[$show->ports[$id]->receive->feeds[0]->universe]->name);
        self::assertCount(4, $show->universes, 'what is lit stays as it is');
        [$document, $second] = DiscoveredPort::apply(
            $document,
            ['protocol' => 'sacn', 'name' => 'House desk', 'address' => '127.0.0.41'],
        );
        self::assertSame(['house-desk-2', []], [$second, ShowReader::fromArray($document)->ports[$second]->receive->feeds]);
        $this->expectException(ShowRefused::class);
        DiscoveredPort::apply($document, ['protocol' => 'sacn', 'name' => 'x', 'address' => 'nowhere']);
    }
}
