<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\NodePort;
use NimbleJunction\Core\Wire\ArtNet\PollReply;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\LiveLink;
use NimbleJunction\Tests\Support\Rig;
use NimbleJunction\Tests\Support\Udp;
use PHPUnit\Framework\TestCase;

/**
 * What a page can do at the engine besides looking: lend devices, ask why two devices do not talk, watch a value, see
 * what is out there.
 */
final class LendingTest extends TestCase
{
    private const NET = '127.78.10';
    private EngineProcess $engine;
    private int $live;

    protected function setUp(): void
    {
        $document = EngineProcess::document(self::NET);
        $document['ports'][0]['receive']['poll'] = [self::NET.'.21'];
        $document['ports'][] = [
            'id' => 'keys',
            'name' => 'Keys',
            'protocol' => 'midi',
            'link' => ['kind' => 'browser', 'device' => 'Attic Keys'],
            'receive' => ['enabled' => true],
            'send' => ['enabled' => true],
        ];
        $document['ports'][] = [
            'id' => 'stick',
            'name' => 'Stick',
            'protocol' => 'controller',
            'link' => ['kind' => 'browser', 'device' => 'Glass Stick'],
            'receive' => ['deadZone' => 0.1, 'centres' => [0.5]],
        ];
        array_push(
            $document['routes'],
            [
                'id' => 'key',
                'name' => 'Key',
                'from' => ['kind' => 'message', 'port' => 'keys', 'address' => '/note/1/60', 'low' => 0, 'high' => 127],
                'to' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 20],
            ],
            [
                'id' => 'light',
                'name' => 'Light',
                'from' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 1],
                'to' => [
                    'kind' => 'message',
                    'port' => 'keys',
                    'address' => '/controller/1/7',
                    'type' => 'int',
                    'low' => 0,
                    'high' => 127,
                ],
            ],
            [
                'id' => 'axis',
                'name' => 'Axis',
                'from' => ['kind' => 'message', 'port' => 'stick', 'address' => '/axis/1', 'low' => -1, 'high' => 1],
                'to' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 21],
            ],
        );
        $document['profiles'] = [
            [
                'id' => 'spot',
                'name' => 'Spot',
                'parameters' => [['name' => 'level', 'intensity' => true], ['name' => 'pan', 'slots' => 2]],
            ],
        ];
        $document['fixtures'] = [['id' => 'spot', 'name' => 'Spot', 'profile' => 'spot', 'universe' => 'palm', 'first' => 100]];
        $this->live = Background::freePort();
        $this->engine = new EngineProcess($document, ['--for=170', "--live=127.0.0.1:{$this->live}"]);
    }

    protected function tearDown(): void
    {
        $this->engine->stop();
    }

    public function testALentKeyboardPlaysIsPlayedAndIsMissedWhenThePageGoes(): void
    {
        $line = new Udp(self::NET.'.2', 5120);
        $desk = new Udp(self::NET.'.11', 6454);
        $page = new LiveLink($this->live, Role::Operator, [
            ['do' => 'subscribe', 'topics' => ['status', 'finds']],
            ['do' => 'lend', 'devices' => ['midi Attic Keys', 'midi Spare Pad']],
            ['do' => 'lent', 'device' => 'midi Attic Keys', 'bytes' => '903c7f'],
        ], 2.5);
        $line->until(static fn(string $bytes): bool => $bytes[20] === "\xFF");
        $desk->send((new Dmx(1, Rig::levels([1 => 255])))->encode(), self::NET.'.1:6454');
        $heard = $page->heard();
        self::assertSame(
            [['type' => 'lent', 'device' => 'midi Attic Keys', 'bytes' => 'b0077f']],
            array_map(static fn(array $one): array => array_diff_key($one, ['n' => 0]), $heard['lent']),
            'slot 1 is full, so controller 7 is 127',
        );
        $port = end($heard['status'])['ports']['keys'];
        self::assertSame(
            ['note 60 (C4) on channel 1, velocity 127', ['Ada'], 'Ada'],
            [$port['heard'], $port['connected'], $port['from']],
        );
        self::assertSame(
            [['midi', 'Attic Keys'], ['midi', 'Spare Pad']],
            array_map(static fn(array $one): array => [$one['kind'], $one['name']], end($heard['finds'])['lent']),
        );

        $after = (new LiveLink($this->live, Role::Viewer, [['do' => 'subscribe', 'topics' => ['status']]], 1.5))->heard();
        $port = $after['status'][0]['ports']['keys'];
        self::assertSame('fault', $port['state']);
        self::assertStringContainsString('No page lends "Attic Keys" now', $port['fault']);
        self::assertSame("\xFF", self::newest($line)[20], 'the last level stays');
        $line->close();
        $desk->close();
    }

    public function testAControllerRestsAtItsCentreAndItsLastValueStaysWhenItIsUnplugged(): void
    {
        $line = new Udp(self::NET.'.2', 5120);
        $page = new LiveLink($this->live, Role::Operator, [
            ['do' => 'lend', 'devices' => ['controller Glass Stick']],
            ['do' => 'lent', 'device' => 'controller Glass Stick', 'state' => '{"axes": {"0": 0.55}, "buttons": {}}'],
            ['do' => 'lent', 'device' => 'controller Glass Stick', 'state' => '{"axes": {"0": 1}, "buttons": {"0": 1}}'],
            ['do' => 'lend', 'devices' => []],
            ['do' => 'subscribe', 'topics' => ['status', 'trace']],
        ], 1.5);
        $line->until(static fn(string $bytes): bool => $bytes[21] === "\xFF");
        $heard = $page->heard();
        $stick = end($heard['status'])['ports']['stick'];
        self::assertSame('fault', $stick['state'], 'unplugged is shown at once');
        self::assertStringContainsString('The game controller "Glass Stick" is not there', $stick['fault']);
        self::assertStringContainsString('The last values stay.', $stick['fault']);
        self::assertSame("\xFF", self::newest($line)[21], 'the last value stays');
        $said = json_encode($heard['trace'], JSON_THROW_ON_ERROR);
        self::assertStringContainsString(
            'slot 21 of Palm House from 128 to 255',
            $said,
            'within the dead zone of its centre it was in the middle of its way',
        );
        self::assertStringContainsString('axis 1 at 1"', $said, 'the rest of the way still reaches the end');
        $line->close();
    }

    public function testWhatCannotBeLentIsSaid(): void
    {
        $heard = (new LiveLink($this->live, Role::Operator, [
            ['do' => 'lend', 'devices' => ['piano Grand']],
            ['do' => 'lent', 'device' => 'midi Attic Keys', 'bytes' => 'zz'],
            ['do' => 'check', 'port' => 'nowhere'],
            ['do' => 'check', 'port' => 'desk', 'other' => 'my desk'],
        ], 1.2))->heard();
        self::assertSame([
            '"piano Grand" cannot be lent: give "midi" or "controller" and the device\'s name.',
            '"bytes" must be hexadecimal digits, two for each byte, of at most 65536 bytes.',
            'There is no port "nowhere" in the show.',
            '"my desk" is no IPv4 address: four numbers from 0 to 255 with points between, like 192.168.1.10.',
        ], array_column($heard['answer'], 'error'));
        $viewer = (new LiveLink($this->live, Role::Viewer, [['do' => 'lend', 'devices' => ['midi Attic Keys']]], 1.0))->heard();
        self::assertSame('Viewers cannot make changes: log in as operator or builder.', $viewer['answer'][0]['error']);
    }

    /** The tablet sends to what we send to: the two ports are swapped, and the engine hears it while it is asked. */
    public function testSwappedPortsAreHeardWhileSomebodyAsks(): void
    {
        $tablet = new Udp(self::NET.'.5', 8000);
        $fix = null;
        for ($try = 0; $try < 10 && $fix === null; ++$try) {
            $page = new LiveLink(
                $this->live,
                Role::Operator,
                [['do' => 'check', 'port' => 'tablet', 'other' => self::NET.'.5']],
                0.4,
            );
            while ($page->isRunning()) {
                $tablet->send((new Message('/lamp', [Argument::float(0.5)]))->encode(), self::NET.'.1:9000');
                usleep(20_000);
            }
            foreach ($page->heard()['answer'][0]['findings'] as $finding) {
                $fix ??= $finding['question'] === 'Is anything heard?' && $finding['fix'] !== null ? $finding : null;
            }
        }
        self::assertNotNull($fix, 'the neighbouring port number is listened at');
        self::assertSame(['receive/port' => 9000, 'send/port' => 8000], $fix['fix']['changes']);
        self::assertStringContainsString('The two ports are swapped', $fix['words']);
        $tablet->close();
    }

    public function testAUniverseOffByOneHasItsFix(): void
    {
        $desk = new Udp(self::NET.'.11', 6454);
        $page = new LiveLink($this->live, Role::Viewer, [['do' => 'subscribe', 'topics' => ['finds']]], 1.2);
        while ($page->isRunning()) {
            $desk->send((new Dmx(0, Rig::levels([1 => 5])))->encode(), self::NET.'.1:6454');
            usleep(50_000);
        }
        $finds = $page->heard()['finds'];
        self::assertSame(
            ['art-net', 0, self::NET.'.11'],
            array_map(static fn(string $key): mixed => end($finds)['unclaimed'][0][$key], ['protocol', 'number', 'from']),
        );
        $findings = (new LiveLink(
            $this->live,
            Role::Operator,
            [['do' => 'check', 'port' => 'desk', 'other' => self::NET.'.11']],
            1.0,
        ))->heard()['answer'][0]['findings'];
        $heard = array_values(
            array_filter($findings, static fn(array $one): bool => $one['question'] === 'Is anything heard?'),
        )[0];
        self::assertSame('wrong', $heard['state']);
        self::assertSame(
            [
                'label' => 'Listen to port-address 0 (0:0:0)',
                'changes' => ['receive/feeds' => [['number' => 0, 'universe' => 'palm']]],
            ],
            $heard['fix'],
        );
        $desk->close();
    }

    public function testANodeThatAnswersOurPollsIsFound(): void
    {
        $node = new Udp(self::NET.'.21', 6454);
        $page = new LiveLink($this->live, Role::Viewer, [['do' => 'subscribe', 'topics' => ['finds']]], 5.0);
        $poll = $node->receive(6.0, $from);
        self::assertSame("Art-Net\0\x00\x20", substr((string) $poll, 0, 10));
        $node->send(
            (new PollReply(self::NET.'.21', 'Roof node', 'Roof node in the attic', [NodePort::output(4)], 0, 1))->encode(),
            (string) $from,
        );
        $finds = $page->heard()['finds'];
        $found = end($finds)['neighbours'][0];
        self::assertSame(
            ['art-net', self::NET.'.21', [20], [], false],
            [$found['protocol'], $found['address'], $found['takes'], $found['gives'], $found['lost']],
        );
        self::assertStringContainsString('Roof node', $found['name']);
        $node->close();
    }

    public function testAValueIsWatchedFromItsFirstArrivalOn(): void
    {
        $desk = new Udp(self::NET.'.11', 6454);
        $page = new LiveLink(
            $this->live,
            Role::Viewer,
            [
                ['do' => 'subscribe', 'topics' => ['scope:slot:palm:3', 'scope:message:tablet:1:/lamp']],
                ['do' => 'subscribe', 'topics' => ['scope:slot:palm:900']],
            ],
            2.0,
        );
        for ($i = 0; $page->isRunning(); ++$i) {
            $desk->send((new Dmx(1, Rig::levels([3 => $i % 256])))->encode(), self::NET.'.1:6454');
            usleep(25_000);
        }
        $heard = $page->heard();
        self::assertSame('There is no topic "scope:slot:palm:900".', $heard['answer'][1]['error']);
        $news = array_values(array_filter($heard['scope'], static fn(array $one): bool => $one['subject'] === 'slot:palm:3'));
        $points = array_merge(...array_column($news, 'points'));
        self::assertGreaterThan(20, \count($points));
        $times = array_column($points, 0);
        $sorted = $times;
        sort($sorted);
        self::assertSame($sorted, $times, 'in the order of their arrival, each once');
        self::assertSame(
            range($points[0][1], $points[0][1] + \count($points) - 1),
            array_map(intval(...), array_column($points, 1)),
            'none is left out',
        );
        self::assertStringContainsString('in steps of 1', end($news)['words']);
        $desk->close();
    }

    public function testAParameterOfAFixtureIsHeldOnAllOfItsSlots(): void
    {
        $heard = (new LiveLink($this->live, Role::Operator, [
            ['do' => 'hold-parameter', 'fixture' => 'spot', 'parameter' => 'pan', 'value' => 0.45],
            ['do' => 'hold-parameter', 'fixture' => 'spot', 'parameter' => 'smoke', 'value' => 1],
            ['do' => 'hold-parameter', 'fixture' => 'spot', 'parameter' => 'pan', 'value' => 45],
            ['do' => 'subscribe', 'topics' => ['status', 'trace']],
        ], 1.5))->heard();
        self::assertSame(
            [[101, 115], [102, 51]],
            array_map(static fn(array $hold): array => [$hold['slot'], $hold['level']], end($heard['status'])['holds']),
        );
        self::assertSame(
            ['There is no parameter "smoke" of a fixture "spot" in the show.', '"value": it is 45. Use a number from 0 to 1.'],
            array_column($heard['answer'], 'error'),
        );
        self::assertContains(
            'Ada holds Spot, pan (slots 101 to 102 of Palm House) at 115, 51',
            array_column(array_merge(...array_column($heard['trace'], 'events')), 'title'),
        );
    }

    public function testARunOfSlotsIsHeldAndLetGo(): void
    {
        $heard = (new LiveLink($this->live, Role::Operator, [
            ['do' => 'hold', 'universe' => 'palm', 'slot' => 10, 'last' => 12, 'level' => 77, 'seconds' => 9],
            ['do' => 'release', 'universe' => 'palm', 'slot' => 11, 'last' => 12],
            ['do' => 'hold', 'universe' => 'palm', 'slot' => 10, 'last' => 9, 'level' => 1],
            ['do' => 'subscribe', 'topics' => ['status']],
        ], 1.5))->heard();
        $holds = end($heard['status'])['holds'];
        self::assertSame([10], array_column($holds, 'slot'));
        self::assertLessThanOrEqual(9000, $holds[0]['until'] - end($heard['status'])['now']);
        self::assertSame('"last": it is 9. Use a whole number from 10 to 512.', $heard['answer'][2]['error']);
    }

    /** What the line carries now: all that came before is read away. */
    private static function newest(Udp $line): string
    {
        $all = $line->collect(0.3);

        return $all[\count($all) - 1][1] ?? self::fail('the line is silent');
    }
}
