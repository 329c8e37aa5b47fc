<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use App\Live\LinkCheck;
use App\Live\Secret;
use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\LiveLink\Token;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\LiveLink;
use NimbleJunction\Tests\Support\Rig;
use NimbleJunction\Tests\Support\Udp;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** The live link of a running engine, spoken to by the npm library ws. */
final class LiveLinkTest extends TestCase
{
    private EngineProcess $engine;
    private Udp $desk;
    private int $port;

    protected function setUp(): void
    {
        $this->port = Background::freePort();
        $this->engine = new EngineProcess(EngineProcess::document('127.78.5'), ['--for=170', "--live=127.0.0.1:{$this->port}"]);
        $this->desk = new Udp('127.78.5.11', 6454);
    }

    protected function tearDown(): void
    {
        $this->desk->close();
        $this->engine->stop();
    }

    public function testLevelsStatusTraceAndHolds(): void
    {
        $this->send([1 => 7]);
        $client = $this->open(Role::Operator, [
            ['do' => 'subscribe', 'topics' => ['levels:palm', 'status', 'trace', 'sources:palm', 'minutes']],
            ['do' => 'hold', 'universe' => 'palm', 'slot' => 2, 'level' => 99],
            ['do' => 'explain', 'universe' => 'palm', 'slot' => 2],
        ], 1.2);
        $client->start();
        $client->wait();
        $heard = self::heard($client);
        $first = array_column($heard['levels'], 'first', 'kind');
        self::assertSame(
            [[7, 99, 0, 0], [1, 255, 0, 0], [0, 7, 0, 0]],
            [$first[1], $first[2], $first[3]],
            'what leaves, who wins, what source 0 sends',
        );
        $by = [];
        foreach ($heard['json'] as $message) {
            $by[$message['type']][] = $message;
        }
        self::assertSame('operator', $by['welcome'][0]['role']);
        self::assertSame('alive', end($by['status'])['ports']['desk']['state']);
        self::assertSame(
            [['universe' => 'palm', 'slot' => 2, 'level' => 99, 'by' => 'Ada']],
            array_map(static fn(array $hold): array => array_diff_key($hold, ['until' => 0]), end($by['status'])['holds']),
        );
        self::assertSame('Desk', $by['sources'][0]['sources'][0]['name']);
        self::assertStringContainsString('Held by hand at 99 by Ada', $by['answer'][2]['why']);
        self::assertContains(
            'New source for Palm House: Desk (127.78.5.11), priority 100',
            array_column($by['trace'][0]['events'], 'title'),
        );
        self::assertCount(60, $by['minutes'][0]['ports']['desk']['in']);
    }

    /** Nothing comes in here: after the first picture a page hears only that the engine is there, until it asks for all again. */
    public function testOnlyWhatHasChangedIsSaidAndItIsCounted(): void
    {
        $subscribe = ['do' => 'subscribe', 'topics' => ['status', 'minutes', 'finds']];
        $client = $this->open(Role::Viewer, [$subscribe], 2.6);
        $client->mustRun();
        $said = json_decode($client->getOutput(), true, flags: JSON_THROW_ON_ERROR)['json'];
        $counted = array_values(array_filter($said, static fn(array $one): bool => $one['type'] !== 'answer'));
        self::assertSame(range(1, \count($counted)), array_column($counted, 'n'));
        $statuses = array_values(array_filter($counted, static fn(array $one): bool => $one['type'] === 'status'));
        self::assertTrue($statuses[0]['whole']);
        self::assertSame(['desk'], array_slice(array_keys($statuses[0]['ports']), 0, 1));
        self::assertGreaterThanOrEqual(2, \count($statuses));
        self::assertLessThanOrEqual(4, \count($statuses), 'once a second');
        foreach (\array_slice($statuses, 1) as $one) {
            self::assertSame([false, [], [], null], [$one['whole'], $one['ports'], $one['universes'], $one['holds']]);
        }
        self::assertCount(1, array_filter($counted, static fn(array $one): bool => $one['type'] === 'finds'));
        $client = $this->open(Role::Viewer, [$subscribe, [...$subscribe, 'anew' => true]], 1.0);
        $client->mustRun();
        $again = array_filter(
            json_decode($client->getOutput(), true, flags: JSON_THROW_ON_ERROR)['json'],
            static fn(array $one): bool => $one['type'] === 'status' && $one['whole'],
        );
        self::assertNotSame([], $again);
    }

    /** Ids that are numbers are told as names all the same. */
    public function testAShowOfNumbersIsTold(): void
    {
        $document = [
            'format' => 'nimble-junction/show',
            'version' => 2,
            'name' => 'Numbers',
            'universes' => [['id' => '1', 'name' => '1']],
            'ports' => [
                ['id' => '0', 'name' => '0', 'protocol' => 'osc', 'receive' => ['address' => '127.78.5.1', 'port' => 8055]],
            ],
        ];
        $live = Background::freePort();
        $engine = new EngineProcess($document, ['--for=170', "--live=127.0.0.1:{$live}"]);
        try {
            $heard = (new LiveLink($live, Role::Operator, [
                [
                    'do' => 'subscribe',
                    'topics' => [
                        'status',
                        'minutes',
                        'finds',
                        'trace',
                        'levels:1',
                        'sources:1',
                        'points:port:0/alive',
                        'scope:slot:1:1',
                    ],
                ],
                ['do' => 'hold', 'universe' => '1', 'slot' => 1, 'level' => 5],
                ['do' => 'check', 'port' => '0'],
                ['do' => 'explain', 'universe' => '1', 'slot' => 1],
                ['do' => 'release'],
            ], 0.6))->heard();
            self::assertSame(
                [true, true, true, true, true],
                array_column($heard['answer'], 'ok'),
                json_encode($heard['answer'], JSON_THROW_ON_ERROR),
            );
            self::assertSame(
                ['waiting', [0]],
                [end($heard['status'])['ports']['0']['state'], array_keys($heard['minutes'][0]['ports'])],
            );
        } finally {
            $engine->stop();
        }
    }

    /** As many frames wait at once as there are universes: the link holds, and none is left out. */
    public function testAPageThatFollowsAllUniversesOfALargeShowStays(): void
    {
        $names = array_map(static fn(int $i): string => "u{$i}", range(1, 256));
        $show = [
            'format' => 'nimble-junction/show',
            'version' => 2,
            'name' => 'Large',
            'universes' => array_map(static fn(string $id): array => ['id' => $id, 'name' => $id], $names),
        ];
        $live = Background::freePort();
        $engine = new EngineProcess($show, ['--for=170', "--live=127.0.0.1:{$live}"]);
        try {
            $topics = array_map(static fn(string $id): string => "levels:{$id}", $names);
            $whole = (new LiveLink($live, Role::Viewer, [['do' => 'subscribe', 'topics' => $topics]], 2.0))->heardWhole();
            self::assertNull($whole['close']);
            $heard = array_unique(array_column($whole['levels'], 'universe'));
            sort($heard);
            sort($names);
            self::assertSame($names, array_values($heard));
        } finally {
            $engine->stop();
        }
    }

    public function testAViewerSeesAndChangesNothing(): void
    {
        $client = $this->open(Role::Viewer, [
            ['do' => 'subscribe', 'topics' => ['status']],
            ['do' => 'hold', 'universe' => 'palm', 'slot' => 2, 'level' => 99],
            ['do' => 'release'],
        ], 0.6);
        $client->mustRun();
        $heard = self::heard($client);
        $answers = array_values(array_filter($heard['json'], static fn(array $message): bool => $message['type'] === 'answer'));
        self::assertSame([true, false, false], array_column($answers, 'ok'));
        self::assertSame('Viewers cannot make changes: log in as operator or builder.', $answers[1]['error']);
        self::assertSame(
            [],
            array_values(
                array_filter(
                    $heard['json'],
                    static fn(array $message): bool => $message['type'] === 'status' && $message['holds'] !== [],
                ),
            ),
        );
    }

    public function testPointsAreFoundSetPressedAndWatched(): void
    {
        $client = $this->open(Role::Operator, [
            ['do' => 'subscribe', 'topics' => ['points:value:open', 'points:slot:palm/3']],
            ['do' => 'set', 'point' => 'value:open', 'value' => true],
            ['do' => 'set', 'point' => 'slot:palm/3', 'value' => 33],
            ['do' => 'find', 'text' => 'house open'],
            ['do' => 'set', 'point' => 'value:shut', 'value' => 1],
            ['do' => 'press', 'point' => 'slot:palm/3'],
        ], 0.8);
        $client->mustRun();
        $heard = self::heard($client)['json'];
        $answers = array_values(array_filter($heard, static fn(array $message): bool => $message['type'] === 'answer'));
        self::assertSame([true, true, true, true, false, false], array_column($answers, 'ok'));
        self::assertSame(['value:open', 1], [$answers[3]['points'][0]['point'], $answers[3]['points'][0]['value']]);
        self::assertStringStartsWith('There is no point "value:shut" in the show.', $answers[4]['error']);
        self::assertSame('A slot cannot be pressed.', $answers[5]['error']);
        $told = [];
        foreach ($heard as $message) {
            if ($message['type'] === 'point') {
                $told[$message['point']][] = $message['value'];
            }
        }
        self::assertSame([1, 33], [end($told['value:open']), end($told['slot:palm/3'])], 'a person holds a slot: it leaves so');
        $viewer = $this->open(
            Role::Viewer,
            [['do' => 'set', 'point' => 'value:open', 'value' => 0], ['do' => 'press', 'point' => 'value:open']],
            0.3,
        );
        $viewer->mustRun();
        self::assertSame(
            [false, false],
            array_column(
                array_values(
                    array_filter(self::heard($viewer)['json'], static fn(array $message): bool => $message['type'] === 'answer'),
                ),
                'ok',
            ),
        );
    }

    public function testWrongCommandsAreAnsweredInWords(): void
    {
        $client = $this->open(Role::Operator, [
            ['do' => 'hold', 'universe' => 'nowhere', 'slot' => 2, 'level' => 99],
            ['do' => 'hold', 'universe' => 'palm', 'slot' => 513, 'level' => 99],
            ['do' => 'dance'],
            ['do' => 'subscribe', 'topics' => ['weather']],
            [],
        ], 0.4);
        $client->mustRun();
        self::assertSame([
            'There is no universe "nowhere" in the show.',
            '"slot": it is 513. Use a whole number from 1 to 512.',
            'This command is not known. Known are: subscribe, hold, hold-parameter, fan, colour, release, explain, lend, lent, set, press, find, check, stand, write-trace, why-dark, suggest, listens, gather, preview, foresee, touch, send-away, record, end-recording, recorded, type-line, render-lines, send-lines, stop-lines, record-tape, change-tape.',
            'There is no topic "weather".',
            '"do" must be a text.',
        ], array_column(
            array_filter(self::heard($client)['json'], static fn(array $message): bool => $message['type'] === 'answer'),
            'error',
        ));
    }

    public function testStrangersAreNotLetIn(): void
    {
        foreach ([
            ['http://evil.example', null],
            ['http://127.0.0.1:1', 'rubbish'],
            ['http://127.0.0.1:1', Token::sign('Ada', Role::Builder, 'another secret', time())],
        ] as [$origin, $token]) {
            $client = $this->open(Role::Builder, [], 1, $origin, $token);
            $client->mustRun();
            self::assertSame(403, self::heard($client)['status']);
        }
        $check = new LinkCheck("127.0.0.1:{$this->port}", Secret::derive((string) getenv('APP_KEY')), '/live');
        self::assertStringContainsString(
            'The engine is well, but /live on this web server does not lead to it',
            $check->words('http://hall.example', 'hall.example:8443'),
        );
        self::assertStringContainsString(
            'does not trust pages from https://hall.example, because it is asked as 127.0.0.1',
            $check->words('https://hall.example', '127.0.0.1'),
        );
        $other = new LinkCheck("127.0.0.1:{$this->port}", 'another secret', '/live');
        self::assertStringContainsString('another APP_KEY', $other->words('http://hall.example', 'hall.example'));
        foreach (['/' => 403, '/live' => 403, '/lives' => 404, '/live/x' => 404, '//' => 404] as $path => $status) {
            self::assertSame($status, $this->statusAt($path), $path);
        }
        $broken = $this->open(Role::Builder, ['this is not JSON'], 2);
        $broken->mustRun();
        self::assertSame(1007, self::heard($broken)['close']);
    }

    public function testLevelsComeAtMostThirtyTimesASecond(): void
    {
        $client = $this->open(Role::Viewer, [['do' => 'subscribe', 'topics' => ['levels:palm']]], 2);
        $client->start();
        for ($end = microtime(true) + 2.5, $i = 0; microtime(true) < $end; usleep(5000)) {
            $this->send([1 => ++$i % 256]);
        }
        $client->wait();
        $levels = self::heard($client)['levels'];
        self::assertGreaterThan(4, \count($levels), 'a noisy machine may give fewer than thirty');
        self::assertLessThanOrEqual(62, \count($levels));
        self::assertSame(512, $levels[0]['length']);
    }

    /** A page that takes nothing: what it gets is bounded by the buffers, and the others notice nothing. */
    public function testASlowReaderGetsFewerFramesAndNeverAGrowingQueue(): void
    {
        $slow = stream_socket_client("tcp://127.0.0.1:{$this->port}");
        $token = urlencode($this->token(Role::Viewer));
        fwrite(
            $slow,
            "GET /?token={$token} HTTP/1.1\r\nHost: 127.0.0.1:{$this->port}\r\nOrigin: http://127.0.0.1:1\r\nUpgrade: websocket\r\nConnection: Upgrade\r\nSec-WebSocket-Key: dGhlIHNhbXBsZSBub25jZQ==\r\nSec-WebSocket-Version: 13\r\n\r\n",
        );
        $topics = array_merge(
            ['levels:palm', 'status', 'trace'],
            array_map(static fn(int $i): string => "sources:palm{$i}", range(1, 5)),
        );
        $payload = json_encode(['do' => 'subscribe', 'topics' => $topics], JSON_THROW_ON_ERROR);
        fwrite($slow, "\x81".\chr(0xFE).pack('n', \strlen($payload))."\0\0\0\0{$payload}");
        $memory = fn(): int => preg_match(
            '/RssAnon:\s+(\d+)/',
            (string) file_get_contents("/proc/{$this->engine->process()->pid()}/status"),
            $found,
        ) === 1
            ? (int) $found[1]
            : 0;
        $before = $memory();
        $client = $this->open(Role::Viewer, [['do' => 'subscribe', 'topics' => ['levels:palm']]], 4);
        $client->start();
        for ($end = microtime(true) + 4.5, $i = 0; microtime(true) < $end; usleep(8000)) {
            $this->send([1 => ++$i % 256, 2 => $i % 250]);
        }
        $client->wait();
        self::assertGreaterThan(60, \count(self::heard($client)['levels']), 'another page keeps its rate');
        self::assertLessThan(12_000, $memory() - $before, 'kB that the engine grew by');
        fclose($slow);
    }

    /** @param array<int, int> $slots */
    private function send(array $slots): void
    {
        $this->desk->send((new Dmx(1, Rig::levels($slots)))->encode(), '127.78.5.1:6454');
    }

    private function statusAt(string $path): int
    {
        $socket = stream_socket_client("tcp://127.0.0.1:{$this->port}");
        self::assertIsResource($socket);
        fwrite(
            $socket,
            "GET {$path}?token=x HTTP/1.1\r\nHost: a\r\nOrigin: http://a\r\nUpgrade: websocket\r\nConnection: Upgrade\r\nSec-WebSocket-Version: 13\r\nSec-WebSocket-Key: ".base64_encode(str_repeat('k', 16))."\r\n\r\n",
        );

        return (int) substr((string) fgets($socket), 9, 3);
    }

    private function token(Role $role): string
    {
        return Token::sign('Ada', $role, Secret::derive((string) getenv('APP_KEY')), time());
    }

    /** @param list<mixed> $commands */
    private function open(
        Role $role,
        array $commands,
        float $seconds,
        string $origin = 'http://127.0.0.1:1',
        ?string $token = null,
    ): Process {
        $question = [
            'url' => "ws://127.0.0.1:{$this->port}/?token=".urlencode($token ?? $this->token($role)),
            'origin' => $origin,
            'commands' => $commands,
            'seconds' => $seconds,
        ];

        return new Process(
            ['node', \dirname(__DIR__).'/Support/live.cjs'],
            Background::root(),
            null,
            json_encode($question, JSON_THROW_ON_ERROR),
            90,
        );
    }

    /** @return array<string, mixed> */
    private static function heard(Process $client): array
    {
        $heard = json_decode($client->getOutput(), true, flags: JSON_THROW_ON_ERROR);

        return [...$heard, 'json' => LiveLink::put($heard['json'])];
    }
}
