<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Fault;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\Packet as ArtNet;
use NimbleJunction\Core\Wire\ArtNet\Poll;
use NimbleJunction\Core\Wire\ArtNet\PollReply;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\Ear;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\LiveLink;
use NimbleJunction\Tests\Support\Netns;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A machine with a lighting adapter and a house adapter, as pairs of virtual ones: nothing goes astray between the two. */
final class TwoAdaptersTest extends TestCase
{
    private const LIVE = 9790;
    private Netns $here;
    private string $lighting;
    private string $house;
    private ?EngineProcess $engine = null;

    /** @var list<Ear> */
    private array $ears = [];

    protected function setUp(): void
    {
        $this->here = new Netns();
        $this->lighting = $this->here->pair('light', '10.9.1.1/24', '10.9.1.2/24');
        $this->house = $this->here->pair('house', '10.9.2.1/24', '10.9.2.2/24');
        $this->here->inside('ip', 'route', 'add', 'default', 'via', '10.9.2.2');
    }

    protected function tearDown(): void
    {
        array_map(static fn(Ear $ear) => $ear->close(), $this->ears);
        $this->engine?->stop();
        $this->here->delete();
    }

    /** @return iterable<string, array{string}> how a port names its adapter */
    public static function names(): iterable
    {
        yield 'by address' => ['10.9.1.1'];
        yield 'by name' => ['light'];
    }

    #[DataProvider('names')]
    public function testAPortHearsAllOfItsAdapterAndNothingOfTheOther(string $where): void
    {
        $this->start(
            [
                [
                    'id' => 'desk',
                    'name' => 'Desk',
                    'protocol' => 'art-net',
                    'receive' => ['address' => $where, 'feeds' => [['number' => 3, 'universe' => 'palm']]],
                ],
            ],
        );
        $heard = fn(int $level): bool => $this->level() === $level;
        foreach (['10.9.1.1' => 11, '10.9.1.255' => 12, '255.255.255.255' => 13] as $to => $level) {
            $this->untilHeard(fn() => Ear::say($this->lighting, self::artNet($level), $to, 6454), $heard, $level);
        }
        foreach (['10.9.2.1', '10.9.2.255', '255.255.255.255'] as $to) {
            Ear::say($this->house, self::artNet(99), $to, 6454);
        }
        $this->untilHeard(fn() => Ear::say($this->lighting, self::artNet(14), '10.9.1.255', 6454), $heard, 14);
        self::assertSame(
            [14, 0],
            [$this->level(), $this->report()['ports']['desk']['senders']['10.9.2.2'] ?? 0],
            'nobody of the house was heard',
        );
    }

    public function testAPollIsAnsweredWithTheAddressTowardsTheAsker(): void
    {
        $this->start(
            [
                [
                    'id' => 'desk',
                    'name' => 'Desk',
                    'protocol' => 'art-net',
                    'receive' => ['address' => '0.0.0.0', 'feeds' => [['number' => 3, 'universe' => 'palm']]],
                ],
            ],
        );
        foreach ([
            [$this->lighting, '10.9.1.255', '10.9.1.1'],
            [$this->house, '10.9.2.255', '10.9.2.1'],
        ] as [$namespace, $everybody, $ours]) {
            $ear = $this->ear($namespace, '0.0.0.0', 6454);
            $this->until(static fn() => Ear::say(
                $namespace,
                (new Poll())->encode(),
                $everybody,
                6454,
            ), static function () use ($ear, $ours): bool {
                $reply = $ear->last() === '' ? null : ArtNet::decode($ear->last());

                return $reply instanceof PollReply && $reply->address === $ours && $reply->bindAddress === $ours;
            }, "an answer with {$ours}");
        }
        $this->addToAssertionCount(1);
    }

    #[DataProvider('names')]
    public function testLevelsNeverLeaveByTheOtherAdapter(string $where): void
    {
        $this->start([
            [
                'id' => 'desk',
                'name' => 'Desk',
                'protocol' => 'art-net',
                'receive' => ['address' => '127.0.0.1', 'feeds' => [['number' => 3, 'universe' => 'palm']]],
            ],
            [
                'id' => 'art',
                'name' => 'Node',
                'protocol' => 'art-net',
                'send' => ['address' => $where, 'to' => ['10.9.1.255'], 'carries' => [['number' => 4, 'universe' => 'palm']]],
            ],
            [
                'id' => 'acn',
                'name' => 'Roof',
                'protocol' => 'sacn',
                'send' => ['address' => $where, 'multicast' => true, 'carries' => [['number' => 5, 'universe' => 'palm']]],
            ],
        ]);
        $this->here->inside('ip', 'route', 'add', '239.0.0.0/8', 'dev', 'house');
        $lamp = $this->ear($this->lighting, '0.0.0.0', 6454);
        $roof = $this->ear($this->lighting, '0.0.0.0', 5568, '239.255.0.5');
        $stray = $this->ear($this->house, '0.0.0.0', 6454);
        $strayRoof = $this->ear($this->house, '0.0.0.0', 5568, '239.255.0.5');
        $this->untilHeard(
            fn() => Ear::say($this->here->name, self::artNet(21), '127.0.0.1', 6454),
            static fn(): bool => \ord($lamp->last()[18] ?? "\0") === 21 && \ord($roof->last()[126] ?? "\0") === 21,
            21,
        );
        $this->here->down('light');
        $this->until(
            static fn(): null => null,
            fn(): bool => $this->states() === ['desk' => 'alive', 'art' => 'fault', 'acn' => 'fault'],
            'both ports being in fault',
            fn() => Ear::say($this->here->name, self::artNet(22), '127.0.0.1', 6454),
        );
        self::assertStringContainsString(
            'light is switched off',
            $this->report()['ports']['art']['fault'].$this->report()['ports']['acn']['fault'],
        );
        self::assertSame([0, 0], [$stray->count(), $strayRoof->count()], 'nothing went into the house');
        // A fault stays until it is gone: it never flickers.
        $states = [];
        for ($i = 0; $i < 12; ++$i) {
            $states[] = $this->states()['art'];
        }
        self::assertSame(['fault'], array_values(array_unique($states)));
        $this->here->up('light');
        $this->untilHeard(
            fn() => Ear::say($this->here->name, self::artNet(23), '127.0.0.1', 6454),
            static fn(): bool => \ord($lamp->last()[18] ?? "\0") === 23 && \ord($roof->last()[126] ?? "\0") === 23,
            23,
        );
        $this->until(static fn(): null => null, fn(): bool => $this->states()['art'] === 'alive', 'the fault being over');
        self::assertSame([0, 0], [$stray->count(), $strayRoof->count()]);
    }

    #[DataProvider('names')]
    public function testMulticastFollowsItsAdapter(string $where): void
    {
        $this->start(
            [
                [
                    'id' => 'guest',
                    'name' => 'Guest',
                    'protocol' => 'sacn',
                    'receive' => ['address' => $where, 'multicast' => true, 'feeds' => [['number' => 7, 'universe' => 'palm']]],
                ],
            ],
        );
        $say = fn(int $level) => Ear::say($this->lighting, self::sacn($level), '239.255.0.7', 5568);
        $heard = fn(int $level): bool => $this->level() === $level;
        $this->untilHeard(static fn() => $say(31), $heard, 31);
        Ear::say($this->house, self::sacn(99, 200, 'house'), '239.255.0.7', 5568);
        // The adapter is pulled, and put back with the same name and address.
        $this->here->pull('light');
        $this->until(
            static fn(): null => null,
            fn(): bool => $this->states()['guest'] === 'fault',
            'the missing adapter being said',
        );
        $this->lighting = $this->here->pair('light', '10.9.1.1/24', '10.9.1.2/24');
        $this->untilHeard(static fn() => $say(32), $heard, 32);
        if ($where === 'light') {
            // Another address, as its DHCP server gives it.
            $this->here->noAddress('light');
            $this->until(
                static fn(): null => null,
                fn(): bool => $this->states()['guest'] === 'fault',
                'the missing address being said',
            );
            $this->here->address('light', '10.9.1.77/24');
            $this->untilHeard(static fn() => $say(33), $heard, 33);
            $this->untilHeard(fn() => Ear::say($this->lighting, self::sacn(34), '10.9.1.77', 5568), $heard, 34);
        }
        self::assertNotSame(99, $this->level());
    }

    public function testAnAddressThatAppearsLateAndACableThatIsNotPluggedIn(): void
    {
        $this->here->noAddress('light');
        $this->start(
            [
                [
                    'id' => 'guest',
                    'name' => 'Guest',
                    'protocol' => 'sacn',
                    'receive' => [
                        'address' => '10.9.1.1',
                        'multicast' => true,
                        'feeds' => [['number' => 7, 'universe' => 'palm']],
                    ],
                ],
            ],
        );
        self::assertStringContainsString(
            '10.9.1.1 is not an address of this machine',
            $this->report()['ports']['guest']['fault'],
        );
        $this->here->address('light', '10.9.1.1/24');
        $this->untilHeard(
            fn() => Ear::say($this->lighting, self::sacn(41), '239.255.0.7', 5568),
            fn(int $level): bool => $this->level() === $level,
            41,
        );
        Netns::in($this->lighting, 'ip', 'link', 'set', 'peer', 'down');
        $this->until(
            static fn(): null => null,
            fn(): bool => str_contains($this->report()['ports']['guest']['fault'], 'light has no link'),
            'the missing cable being said',
        );
        Netns::in($this->lighting, 'ip', 'link', 'set', 'peer', 'up');
        $this->until(
            static fn(): null => null,
            fn(): bool => $this->report()['ports']['guest']['fault'] === '',
            'the cable being there',
        );
        $this->addToAssertionCount(1);
    }

    /** Ports of one show, and other programs, at one port number: E1.31 and Art-Net have one each, and everybody uses it. */
    public function testThePortNumbersAreShared(): void
    {
        $program = $this->ear($this->here->name, '0.0.0.0', 5568, '');
        $this->start([
            [
                'id' => 'unicast',
                'name' => 'Unicast',
                'protocol' => 'sacn',
                'receive' => ['address' => '10.9.1.1', 'feeds' => [['number' => 1, 'universe' => 'palm']]],
            ],
            [
                'id' => 'multicast',
                'name' => 'Multicast',
                'protocol' => 'sacn',
                'receive' => ['address' => 'light', 'multicast' => true, 'feeds' => [['number' => 7, 'universe' => 'palm']]],
            ],
            [
                'id' => 'all',
                'name' => 'All',
                'protocol' => 'sacn',
                'receive' => ['multicast' => true, 'feeds' => [['number' => 8, 'universe' => 'other']]],
            ],
        ]);
        self::assertSame(['', '', ''], array_values(array_column($this->report()['ports'], 'fault')));
        $this->untilHeard(
            fn() => Ear::say($this->lighting, self::sacn(51, number: 1), '10.9.1.1', 5568),
            fn(int $level): bool => $this->level() === $level,
            51,
        );
        $this->untilHeard(
            fn() => Ear::say($this->lighting, self::sacn(61, 150, 'another'), '239.255.0.7', 5568),
            fn(int $level): bool => $this->level() === $level,
            61,
        );
        $program->untilHeard(static fn(string $bytes): bool => \ord($bytes[126]) === 61, 'the other program hearing its share');
    }

    /** @param list<array<string, mixed>> $ports */
    private function start(array $ports): void
    {
        $document = [...EngineProcess::document('127.0.0'), 'ports' => $ports, 'routes' => []];
        $this->engine = new EngineProcess(
            $document,
            ['--for=170', '--live=127.0.0.1:'.self::LIVE],
            Netns::words($this->here->name),
        );
    }

    /** @return array<string, mixed> */
    private function report(): array
    {
        $heard = (new LiveLink(
            self::LIVE,
            Role::Viewer,
            [['do' => 'subscribe', 'topics' => ['status']]],
            0.4,
            Netns::words($this->here->name),
        ))->heard();

        return end($heard['status']);
    }

    private function level(): int
    {
        $answers = (new LiveLink(
            self::LIVE,
            Role::Viewer,
            [['do' => 'explain', 'universe' => 'palm', 'slot' => 1]],
            0.3,
            Netns::words($this->here->name),
        ))->heard()['answer'];

        return $answers[0]['level'];
    }

    /** @return array<string, string> by port */
    private function states(): array
    {
        return array_column(
            array_map(
                static fn(string $id, array $port): array => [$id, $port['state']],
                array_keys($this->report()['ports']),
                $this->report()['ports'],
            ),
            1,
            0,
        );
    }

    private function untilHeard(callable $say, callable $heard, int $level): void
    {
        $this->until($say, static fn(): bool => $heard($level), "level {$level} being heard");
    }

    private function until(callable $do, callable $happened, string $what, ?callable $besides = null): void
    {
        try {
            Background::until(static function () use ($do, $happened, $besides): bool {
                $do();
                $besides === null || $besides();

                return $happened();
            }, $what, 40.0);
        } catch (\RuntimeException $failed) {
            self::fail(
                "{$failed->getMessage()} The ports: ".json_encode(array_map(static fn(array $port): array => [$port['state'], $port['fault'], $port['senders']], (array) $this->report()['ports']), JSON_THROW_ON_ERROR).$this->engine?->process()->output(),
            );
        }
    }

    private function ear(string $namespace, string $address, int $port, string $group = ''): Ear
    {
        return $this->ears[] = new Ear($namespace, $address, $port, $group);
    }

    private static function artNet(int $level): string
    {
        return (new Dmx(3, Rig::levels([1 => $level])))->encode();
    }

    private static int $sequence = 0;

    private static function sacn(int $level, int $priority = 100, string $cid = 'two adapters', int $number = 7): string
    {
        return (new Data(str_pad($cid, 16), $number, Rig::levels([1 => $level]), ++self::$sequence & 255, $priority))->encode();
    }
}
