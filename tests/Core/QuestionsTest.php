<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use NimbleJunction\Core\Check\Arrivals;
use NimbleJunction\Core\Check\Finding;
use NimbleJunction\Core\Check\Network;
use NimbleJunction\Core\Check\Observed;
use NimbleJunction\Core\Check\Question\DoOursComeBack;
use NimbleJunction\Core\Check\Question\DoTheyHear;
use NimbleJunction\Core\Check\Question\DoWeSend;
use NimbleJunction\Core\Check\Question\IsAnythingHeard;
use NimbleJunction\Core\Check\Question\SameNetwork;
use NimbleJunction\Core\Check\Scene;
use NimbleJunction\Core\Check\TwoBoxes;
use NimbleJunction\Core\Discovery\Neighbour;
use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Core\Port\Activity;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Signal\Remark;
use NimbleJunction\Core\Signal\Sighting;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What stands for where the packets of a silent other end go, and whether it hears ours: each piece of evidence by itself. */
final class QuestionsTest extends TestCase
{
    private const SECOND = 1_000_000_000;
    private const NOW = 100 * self::SECOND;
    private const LAN = [['name' => 'eth0', 'address' => '192.168.1.10', 'netmask' => '255.255.255.0']];

    /**
     * @return iterable<string, array{Observed, string, string, string}> what is seen, the other end, the state, the beginning of the
     * words
     */
    public static function silences(): iterable
    {
        $silent = new Activity();
        $far = '192.168.1.20';
        yield 'a firewall here' => [
            new Observed($silent, arrivals: new Arrivals(9, 41, 0), machines: [$far => true]),
            $far,
            Finding::OPEN,
            '41 packets reached this machine in the last minute and no program could have them: a firewall',
        ];
        yield 'from a subnet that we answer elsewhere' => [
            new Observed($silent, arrivals: new Arrivals(0, 0, 1)),
            $far,
            Finding::WRONG,
            '1 packet of the last minute was thrown away by this machine, as the sender\'s address',
        ];
        yield 'at numbers that nobody listens at' => [
            new Observed($silent, arrivals: new Arrivals(3)),
            $far,
            Finding::OPEN,
            '3 packets came to this machine in the last minute at port numbers that nobody listens at.',
        ];
        yield 'it is there and says nothing' => [
            new Observed($silent, machines: [$far => true]),
            $far,
            Finding::WRONG,
            "The machine {$far} is there, and nothing of what it sends comes in at port 8000.",
        ];
        yield 'it is not there' => [
            new Observed($silent, machines: [$far => false]),
            $far,
            Finding::WRONG,
            "Nothing answers at {$far} on this network.",
        ];
        yield 'nothing is known' => [
            new Observed($silent, machines: ['192.168.1.99' => true]),
            $far,
            Finding::OPEN,
            'Nothing has been heard here yet. Move it now, waiting…',
        ];
        yield 'what is counted on the loopback is our own' => [
            new Observed($silent, arrivals: new Arrivals(3, 4, 5)),
            '127.0.0.9',
            Finding::OPEN,
            'Nothing has been heard here yet. Move it now, waiting…',
        ];
        yield 'a swapped number comes before all that' => [
            new Observed($silent, knocks: [['port' => 9000, 'from' => $far]], arrivals: new Arrivals(0, 41)),
            $far,
            Finding::WRONG,
            "{$far} sends to our port 9000, and we listen at 8000. The two ports are swapped",
        ];
    }

    #[DataProvider('silences')]
    public function testASilence(Observed $seen, string $other, string $state, string $words): void
    {
        $rig = new Rig(Rig::port('tablet', ['receive' => ['address' => '0.0.0.0', 'port' => 8000]]));
        [$finding] = (new IsAnythingHeard())->ask($this->scene($rig, 'tablet', $seen, $other));
        self::assertSame($state, $finding->state);
        self::assertStringStartsWith($words, $finding->words);
    }

    public function testAMessageOfThisMinuteIsHeardAndAnOlderOneIsWaitedFor(): void
    {
        $activity = new Activity();
        $activity->heard(new Osc(new Message('/lamp', [Argument::of(0.5)])), '127.0.0.15', self::NOW - 20 * self::SECOND);
        $scene = fn(int $later): Scene => $this->scene(
            new Rig(),
            'tablet',
            new Observed($activity),
            '',
            self::NOW + $later * self::SECOND,
        );
        $ask = new IsAnythingHeard();
        self::assertSame(
            [Finding::RIGHT, 'Yes: /lamp 0.5, from 127.0.0.15, 20 s ago.'],
            [$ask->ask($scene(0))[0]->state, $ask->ask($scene(0))[0]->words],
        );
        self::assertSame(
            [Finding::OPEN, 'Nothing has been heard here lately. Move it now, waiting…'],
            [$ask->ask($scene(41))[0]->state, $ask->ask($scene(41))[0]->words],
        );
    }

    public function testWhatCameToTheCrossedNumberAfterwardsCountsForMore(): void
    {
        $activity = new Activity();
        $activity->heard(new Osc(new Message('/lamp', [Argument::of(0.5)])), '127.0.0.15', self::NOW - 20 * self::SECOND);
        $words = fn(int $ago): string => (new IsAnythingHeard())->ask($this->scene(
            new Rig(),
            'tablet',
            new Observed($activity, knocks: [['port' => 9000, 'from' => '127.0.0.15', 'at' => self::NOW - $ago * self::SECOND]]),
            '127.0.0.15',
        ))[0]->words;
        self::assertStringContainsString('The two ports are swapped', $words(5));
        self::assertStringStartsWith('Yes: /lamp 0.5', $words(30));
    }

    /** By multicast a universe that nobody asks for is not heard; its sender names it in its discovery (ANSI E1.31-2018, 8). */
    public function testAUniverseThatASenderSaysItGives(): void
    {
        $desk = self::neighbour(Protocol::Sacn, '127.0.0.12', gives: [4, 5]);
        $rig = new Rig();
        [$finding] = (new IsAnythingHeard())->ask($this->scene(
            $rig,
            'guest',
            new Observed(new Activity(), neighbours: [$desk]),
            '127.0.0.12',
        ));
        self::assertSame(
            'Made-up (127.0.0.12) says that it gives universe 4, universe 5; this port listens to universe 1.',
            $finding->words,
        );
        self::assertSame(['receive/feeds' => [['number' => 4, 'universe' => 'palm']]], $finding->fix['changes'] ?? null);
    }

    /** @return iterable<string, array{list<int>, int, string, string, array<string, mixed>|null}> */
    public static function takers(): iterable
    {
        yield 'the same number' => [
            [9, 3],
            0,
            Finding::RIGHT,
            'Made-up (127.0.0.31) answers our polls, and takes port-address 3 (0:0:3), port-address 9 (0:0:9).',
            null,
        ];
        yield 'another number' => [
            [4],
            0,
            Finding::WRONG,
            'We send, and they do not hear: Made-up (127.0.0.31) takes port-address 4 (0:0:4); this port sends port-address 3 (0:0:3).',
            ['send/carries' => [['number' => 4, 'universe' => 'palm']]],
        ];
        yield 'none' => [
            [],
            0,
            Finding::OPEN,
            'Made-up (127.0.0.31) answers our polls, and names no universe that it takes.',
            null,
        ];
        yield 'gone' => [
            [3],
            30,
            Finding::WRONG,
            'We send, and they do not hear: Made-up (127.0.0.31) answered our polls until 30 s ago, and no longer.',
            null,
        ];
    }

    /**
     * @param list<int> $takes
     * @param array<string, mixed>|null $changes
     */
    #[DataProvider('takers')]
    public function testTheyHearUsAsFarAsTheyTell(array $takes, int $ago, string $state, string $words, ?array $changes): void
    {
        $node = self::neighbour(Protocol::ArtNet, '127.0.0.31', takes: $takes, ago: $ago);
        $finding = $this->hear(new Observed(new Activity(), neighbours: [$node]), '127.0.0.31');
        self::assertSame([$state, $words, $changes], [$finding->state, $finding->words, $finding->fix['changes'] ?? null]);
    }

    public function testWhoNeverAnsweredAPollIsNamed(): void
    {
        $finding = $this->hear(new Observed(new Activity()), '');
        self::assertSame(Finding::OPEN, $finding->state);
        self::assertStringStartsWith('127.0.0.31 has not answered our polls', $finding->words);
    }

    public function testAConnectionTellsWhetherSomebodyIsThere(): void
    {
        $nobody = $this->hear(new Observed(new Activity(), connected: []), '');
        self::assertSame([Finding::WRONG, 'We send, and nobody hears: nobody is connected.'], [$nobody->state, $nobody->words]);
        self::assertSame('Connected: a program.', $this->hear(new Observed(new Activity(), connected: ['a program']), '')->words);
    }

    public function testOurOwnPacketsComingBack(): void
    {
        $activity = new Activity();
        $own = static fn(object $what): array => [$activity->heard($what, '127.0.0.1', self::NOW), $activity->wasOwn(self::NOW)];
        $ask = fn(): array => (new DoOursComeBack())->ask($this->scene(
            new Rig(),
            'house',
            new Observed($activity),
            '127.0.0.11',
        ));
        $own(new Remark('a poll'));
        self::assertSame([], $ask(), 'our own polls come back on every broadcast');
        $own(new Frame(Protocol::ArtNet, 1, 'abc', 'x', 'Us'));
        [$finding] = $ask();
        self::assertSame([Finding::WRONG, ['allow' => ['127.0.0.11']]], [$finding->state, $finding->fix['changes'] ?? null]);
        $later = $this->scene(new Rig(), 'house', new Observed($activity), '', self::NOW + 11 * self::SECOND);
        self::assertSame([], (new DoOursComeBack())->ask($later));
    }

    public function testASenderThatOnlyItsBroadcastsReachUsFrom(): void
    {
        $activity = new Activity();
        $activity->heard(new Frame(Protocol::ArtNet, 1, 'abc', 'x', 'Desk'), '10.0.0.5', self::NOW);
        [$finding] = (new SameNetwork())->ask($this->scene(new Rig(), 'house', new Observed($activity), ''));
        self::assertSame(Finding::WRONG, $finding->state);
        self::assertStringStartsWith('10.0.0.5 is heard, and is in none of our networks', $finding->words);
    }

    public function testAReceiverThatDropsOutIsOfferedTheFullRate(): void
    {
        $activity = new Activity();
        $activity->said(self::NOW);
        [$finding] = (new DoWeSend())->ask($this->scene($this->sending(), 'art', new Observed($activity), ''));
        self::assertSame([Finding::RIGHT, ['send/fullRate' => true]], [$finding->state, $finding->fix['changes'] ?? null]);
        [$full] = (new DoWeSend())->ask($this->scene($this->sending(['fullRate' => true]), 'art', new Observed($activity), ''));
        self::assertNull($full->fix);
    }

    public function testEachQuestionIsAskedOnceAndInOrder(): void
    {
        self::assertSame(TwoBoxes::QUESTIONS, array_values(array_unique(TwoBoxes::QUESTIONS)));
        $files = array_map(
            static fn(string $path): string => basename($path, '.php'),
            glob(__DIR__.'/../../core/Check/Question/*.php') ?: [],
        );
        $asked = array_map(static fn(string $class): string => substr((string) strrchr($class, '\\'), 1), TwoBoxes::QUESTIONS);
        self::assertSame(['WhereDoesItGo'], array_values(array_diff($files, $asked)));
    }

    private function hear(Observed $seen, string $other): Finding
    {
        return (new DoTheyHear())->ask($this->scene($this->sending(), 'art', $seen, $other))[0];
    }

    /** @param array<string, mixed> $more */
    private function sending(array $more = []): Rig
    {
        $send = ['to' => ['127.0.0.31'], 'carries' => [['number' => 3, 'universe' => 'palm']]] + $more;
        $ports = [...Rig::document()['ports'], ['id' => 'art', 'name' => 'Art', 'protocol' => 'art-net', 'send' => $send]];

        return new Rig(['ports' => $ports]);
    }

    private function scene(Rig $rig, string $id, Observed $seen, string $other, int $now = self::NOW): Scene
    {
        $port = ShowReader::fromArray($rig->document)->ports[$id];
        $lo = ['name' => 'lo', 'address' => '127.0.0.1', 'netmask' => '255.0.0.0'];

        return new Scene($port, true, $seen, new Network([$lo, ...self::LAN]), $other, $now);
    }

    /**
     * @param list<int> $gives
     * @param list<int> $takes
     */
    private static function neighbour(
        Protocol $protocol,
        string $address,
        array $gives = [],
        array $takes = [],
        int $ago = 0,
    ): Neighbour {
        $one = new Neighbour('key', $protocol);
        $one->seen(new Sighting($protocol, 'key', $address, 'Made-up', $gives, $takes), self::NOW - $ago * self::SECOND);

        return $one;
    }
}
