<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use NimbleJunction\Core\Check\Finding;
use NimbleJunction\Core\Check\Network;
use NimbleJunction\Core\Check\Observed;
use NimbleJunction\Core\Check\TwoBoxes;
use NimbleJunction\Core\Plan\AllowList;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** The usual faults of practice: swapped ports, wrong network, a universe off by one. */
final class TwoBoxesTest extends TestCase
{
    private const ADAPTERS = [
        ['name' => 'lo', 'address' => '127.0.0.1', 'netmask' => '255.0.0.0'],
        ['name' => 'eth0', 'address' => '192.168.1.10', 'netmask' => '255.255.255.0'],
        ['name' => 'eth1', 'address' => '2.0.0.10', 'netmask' => '255.0.0.0'],
    ];

    public function testAHealthyLinkIsRightInEveryPoint(): void
    {
        $rig = new Rig();
        $rig->osc('/lamp', 0.5);
        $rig->pass(0.5);
        $findings = $this->check($rig, 'tablet', '127.0.0.15');
        self::assertSame(
            [Finding::RIGHT],
            array_values(
                array_unique(
                    array_map(
                        static fn(Finding $one): string => $one->state,
                        array_filter($findings, static fn(Finding $one): bool => $one->question !== 'Do we send?'),
                    ),
                ),
            ),
        );
        self::assertStringContainsString('/lamp 0.5, from 127.0.0.15', $this->answer($findings, 'Is anything heard?')->words);
    }

    public function testNothingIsCalledRightBesideABadFigure(): void
    {
        mt_srand(9);
        $rig = new Rig();
        $steady = fn(): Finding => $this->answer($this->check($rig, 'house', ''), 'Is it steady?');
        $frames = static function (int $count, float $every, float $loss) use ($rig): void {
            static $sequence = 0;
            for ($i = 0; $i < $count; ++$i) {
                $sequence = $sequence % 255 + 1;
                mt_rand() / mt_getrandmax() < $loss || $rig->artNet([1 => $i % 256], sequence: $sequence);
                $rig->pass($every);
            }
        };
        $frames(400, 0.025, 0.0);
        self::assertSame([Finding::RIGHT, 'Longest gap 25 ms, nothing lost in the last minute.'], [$steady()->state, $steady()->words]);
        $frames(800, 0.025, 0.2);
        self::assertSame(Finding::WRONG, $steady()->state);
        self::assertMatchesRegularExpression(
            '/losing \d+\.\d % \(last 10 s\)\. \(longest gap \d+ ms, \d+(\.\d)? % lost in the last minute\)$/',
            $steady()->words,
        );
        $frames(1000, 0.025, 0.0);
        self::assertSame(Finding::OPEN, $steady()->state, 'it is over, and was within this minute');
        $slow = new Rig();
        for ($i = 0; $i < 8; ++$i) {
            $slow->artNet([1 => $i]);
            $slow->pass(12.0);
        }
        $slow->artNet([1 => 9]);
        $finding = $this->answer($this->check($slow, 'house', ''), 'Is it steady?');
        self::assertSame([Finding::WRONG, ['receive/timeOut' => 36.0]], [$finding->state, $finding->fix['changes'] ?? null]);
    }

    public function testAnotherNetwork(): void
    {
        $rig = new Rig(Rig::port('house', ['receive' => ['address' => '0.0.0.0', 'feeds' => []]]));
        $finding = $this->answer($this->check($rig, 'house', '10.0.0.5'), 'Same network');
        self::assertSame(Finding::WRONG, $finding->state);
        self::assertStringContainsString('10.0.0.5 is in none of our networks. We are 127.0.0.1', $finding->words);
        self::assertSame(Finding::RIGHT, $this->answer($this->check($rig, 'house', '192.168.1.77'), 'Same network')->state);
        self::assertSame(Finding::OPEN, $this->answer($this->check($rig, 'house', ''), 'Same network')->state);
    }

    public function testAnAdapterThatDoesNotFaceTheOtherEnd(): void
    {
        $rig = new Rig(Rig::port('house', ['receive' => ['address' => '2.0.0.10', 'feeds' => []]]));
        $finding = $this->answer($this->check($rig, 'house', '192.168.1.77'), 'Our address');
        self::assertSame(
            [Finding::WRONG, ['receive/address' => '192.168.1.10']],
            [$finding->state, $finding->fix['changes'] ?? null],
        );
        $gone = new Rig(Rig::port('house', ['receive' => ['address' => '172.16.0.1', 'feeds' => []]]));
        $finding = $this->answer($this->check($gone, 'house', ''), 'Our address');
        self::assertSame(['receive/address' => '0.0.0.0'], $finding->fix['changes'] ?? null);
        self::assertStringContainsString('172.16.0.1 is no address of this machine now', $finding->words);
    }

    public function testAnAdapterByName(): void
    {
        $named = static fn(string $name): Rig => new Rig(Rig::port('house', ['receive' => ['address' => $name, 'feeds' => []]]));
        self::assertSame(
            Finding::RIGHT,
            $this->answer($this->check($named('eth0'), 'house', '192.168.1.77'), 'Our address')->state,
        );
        $other = $this->answer($this->check($named('eth1'), 'house', '192.168.1.77'), 'Our address');
        self::assertSame(['receive/address' => '192.168.1.10'], $other->fix['changes'] ?? null);
        $gone = $this->answer($this->check($named('eth9'), 'house', ''), 'Our address');
        self::assertStringContainsString('There is no network adapter eth9 now.', $gone->words);
    }

    public function testAUniverseOffByOne(): void
    {
        $rig = new Rig();
        $finding = $this->answer(
            $this->check($rig, 'house', '127.0.0.11', unclaimed: [['number' => 0, 'from' => '127.0.0.11']]),
            'Is anything heard?',
        );
        self::assertSame(
            'Heard on port-address 0 (0:0:0) from 127.0.0.11; this port listens to port-address 1 (0:0:1).',
            $finding->words,
        );
        self::assertSame('Listen to port-address 0 (0:0:0)', $finding->fix['label'] ?? null);
        self::assertSame(['receive/feeds' => [['number' => 0, 'universe' => 'palm']]], $finding->fix['changes'] ?? null);
    }

    public function testSwappedPorts(): void
    {
        $rig = new Rig();
        $finding = $this->answer(
            $this->check($rig, 'tablet', '127.0.0.15', knocks: [['port' => 9000, 'from' => '127.0.0.15']]),
            'Is anything heard?',
        );
        self::assertStringContainsString('The two ports are swapped', $finding->words);
        self::assertSame(['receive/port' => 9000, 'send/port' => 8000], $finding->fix['changes'] ?? null);
        $beside = $this->answer(
            $this->check($rig, 'tablet', '', knocks: [['port' => 8001, 'from' => '127.0.0.15']]),
            'Is anything heard?',
        );
        self::assertSame(['receive/port' => 8001], $beside->fix['changes'] ?? null);
    }

    public function testHeardOnAnotherPortOfOurs(): void
    {
        $finding = $this->answer(
            $this->check(new Rig(), 'tablet', '127.0.0.15', elsewhere: ['Second tablet' => ['127.0.0.15' => 3]]),
            'Is anything heard?',
        );
        self::assertSame('Not here, but "Second tablet" hears 127.0.0.15.', $finding->words);
    }

    public function testSomebodyElseIsHeard(): void
    {
        $rig = new Rig();
        $rig->osc('/lamp', 0.5);
        $finding = $this->answer($this->check($rig, 'tablet', '127.0.0.16'), 'Is anything heard?');
        self::assertSame('Nothing from 127.0.0.16, but from 127.0.0.15.', $finding->words);
        $rig->pass(5);
        self::assertSame(
            'Nothing has been heard here lately. Move it now, waiting…',
            $this->answer($this->check($rig, 'tablet', '127.0.0.16'), 'Is anything heard?')->words,
        );
    }

    public function testSwitchedOffIsSwitchedOn(): void
    {
        $finding = $this->answer(
            $this->check(new Rig(Rig::port('tablet', ['enabled' => false])), 'tablet', ''),
            'Is it switched on?',
        );
        self::assertSame(
            [Finding::WRONG, ['enabled' => true, 'receive/enabled' => true, 'send/enabled' => true]],
            [$finding->state, $finding->fix['changes'] ?? null],
        );
    }

    public function testSwitchedOffWhileTheShowRunsIsSaid(): void
    {
        $rig = new Rig();
        $rig->junction->set(
            Reference::parse('port:tablet/enabled') ?? throw new \LogicException(),
            0,
            new Act('ada', 'Ada'),
            $rig->nanos(),
        );
        $finding = $this->answer($this->check($rig, 'tablet', ''), 'Is it switched on?');
        self::assertSame(
            [
                'The port was switched off while the show runs, by hand or by a route.',
                'Press "Switch on again" at the port.',
                null,
            ],
            [$finding->words, $finding->remedy, $finding->fix],
        );
    }

    public function testNotAllowedNotSentToAndNotListening(): void
    {
        $rig = new Rig(Rig::port('tablet', ['allow' => ['127.0.0.20']]));
        $findings = $this->check($rig, 'tablet', '127.0.0.16');
        self::assertSame(
            ['allow' => ['127.0.0.20', '127.0.0.16']],
            $this->answer($findings, 'May it speak to us?')->fix['changes'] ?? null,
        );
        self::assertSame(
            ['send/to' => ['127.0.0.15', '127.0.0.16']],
            $this->answer($findings, 'Do we send to it?')->fix['changes'] ?? null,
        );
        $deaf = $this->answer($this->check($rig, 'tablet', '127.0.0.15', deaf: ['127.0.0.15:9000']), 'Does it listen?');
        self::assertStringContainsString('Nothing listens at 127.0.0.15:9000', $deaf->words);
    }

    public function testAPortThatCannotBeOpened(): void
    {
        $rig = new Rig();
        $rig->junction->activity('tablet')->fault = 'UDP port 8000 is in use';
        self::assertSame('UDP port 8000 is in use', $this->answer($this->check($rig, 'tablet', ''), 'Is the port open?')->words);
        $rig->arrive(Rig::OSC, 'rubbish', '127.0.0.15');
        self::assertStringContainsString(
            '1 was refused, most of all:',
            $this->answer($this->check($rig, 'tablet', ''), 'Are packets refused?')->words,
        );
    }

    public function testNetworksAndBroadcastAddresses(): void
    {
        // RFC 919 and RFC 4632, by hand.
        self::assertSame(
            ['192.168.1.255', '2.255.255.255', '10.0.3.255'],
            [
                Network::broadcast('192.168.1.10', '255.255.255.0'),
                Network::broadcast('2.0.0.10', '255.0.0.0'),
                Network::broadcast('10.0.0.1', '255.255.252.0'),
            ],
        );
        $list = new AllowList(['10.0.0.0/22', '1.2.3.4', '0.0.0.0/32']);
        self::assertSame(
            [true, true, false, true, false, true],
            array_map($list->lets(...), ['10.0.0.1', '10.0.3.255', '10.0.4.0', '1.2.3.4', '1.2.3.5', "a browser's device"]),
        );
        self::assertTrue((new AllowList(['0.0.0.0/0']))->lets('8.8.8.8'));
        self::assertTrue((new AllowList())->lets('8.8.8.8'));
    }

    /**
     * @param list<array{number: int, from: string}> $unclaimed
     * @param list<array{port: int, from: string}> $knocks
     * @param array<string, array<string, int>> $elsewhere
     * @param list<string> $deaf
     *
     * @return list<Finding>
     */
    private function check(
        Rig $rig,
        string $id,
        string $other,
        array $unclaimed = [],
        array $knocks = [],
        array $elsewhere = [],
        array $deaf = [],
    ): array {
        $show = ShowReader::fromArray($rig->document);

        return TwoBoxes::check(
            $show->ports[$id],
            $rig->junction->plan()->ports[$id]['enabled'],
            new Observed($rig->junction->activity($id), $unclaimed, $knocks, $elsewhere, $deaf),
            new Network(self::ADAPTERS),
            $other,
            $rig->nanos(),
        );
    }

    /** @param list<Finding> $findings */
    private function answer(array $findings, string $question): Finding
    {
        foreach ($findings as $finding) {
            if ($finding->question === $question) {
                return $finding;
            }
        }
        self::fail(
            "\"{$question}\" was not asked: ".implode(', ', array_map(static fn(Finding $one): string => $one->question, $findings)),
        );
    }
}
