<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use App\Live\Secret;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\LiveLink\Token;
use NimbleJunction\Engine\Order\Orders;
use NimbleJunction\Engine\Topic\Topics;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\EngineProcess;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** Role × command × topic: what each may, written down here once more, so that a new one is a decision and no accident. */
final class MatrixTest extends TestCase
{
    /** Commands that move nothing and open nothing. */
    private const FOR_ALL = [
        ['do' => 'explain', 'universe' => 'palm', 'slot' => 1],
        ['do' => 'find', 'text' => 'a'],
        ['do' => 'stand', 'place' => '/'],
        ['do' => 'write-trace', 'format' => 'json lines', 'events' => []],
        ['do' => 'why-dark', 'fixture' => 'none'],
        ['do' => 'suggest', 'point' => 'value:open'],
        ['do' => 'listens', 'trigger' => ['kind' => 'started']],
        ['do' => 'gather', 'from' => 'leaves'],
        ['do' => 'render-lines', 'desk' => 'none', 'timeline' => 'none', 'template' => 'go {name}'],
    ];

    private const FOR_OPERATORS = [
        ['do' => 'hold', 'universe' => 'palm', 'slot' => 1, 'level' => 5],
        ['do' => 'hold-parameter', 'fixture' => 'none', 'parameter' => 'level', 'value' => 1],
        ['do' => 'fan', 'fixtures' => ['none'], 'parameter' => 'level', 'from' => 0, 'to' => 1, 'fan' => 'across'],
        ['do' => 'colour', 'fixtures' => ['none'], 'colour' => '#ff0000'],
        ['do' => 'release'],
        ['do' => 'lend', 'devices' => []],
        ['do' => 'lent', 'device' => 'midi None', 'bytes' => 'kDx/'],
        ['do' => 'set', 'point' => 'value:open', 'value' => 1],
        ['do' => 'press', 'point' => 'route:in'],
        ['do' => 'check', 'port' => 'desk'],
        ['do' => 'preview', 'values' => []],
        ['do' => 'foresee'],
        ['do' => 'send-away', 'page' => 99],
        ['do' => 'record', 'timeline' => 'none', 'points' => []],
        ['do' => 'end-recording', 'forgets' => true],
        ['do' => 'recorded', 'tolerance' => 1],
        ['do' => 'type-line', 'desk' => 'none', 'line' => 'x', 'sends' => false],
        ['do' => 'send-lines', 'desk' => 'none', 'lines' => []],
        ['do' => 'stop-lines'],
        ['do' => 'record-tape', 'name' => 'x'],
        ['do' => 'change-tape', 'tape' => 'none'],
    ];

    private const TOPICS = [
        'status' => '', 'minutes' => '', 'finds' => '', 'trace' => '', 'levels' => 'palm', 'sources' => 'palm', 'scope' => 'slot:palm:1',
        'points' => 'value:open',
        'present' => '',
        'outages' => 'desk',
        'learn' => 'desk',
        'misses' => '',
        'route' => 'in',
        'programme' => '',
        'surface' => 'rope', 'timelines' => '', 'recording' => '', 'timetable' => '', 'desk' => '', 'tapes' => '',
    ];

    private static EngineProcess $engine;
    private static int $port;

    public static function setUpBeforeClass(): void
    {
        self::$port = Background::freePort();
        $document = EngineProcess::document('127.78.71');
        $document['surfaces'] = [
            ['id' => 'rope', 'name' => 'Rope', 'pages' => [['id' => 'one', 'name' => 'One']]],
            ['id' => 'other', 'name' => 'Other', 'pages' => [['id' => 'one', 'name' => 'One']]],
        ];
        self::$engine = new EngineProcess($document, ['--for=170', '--live=127.0.0.1:'.self::$port]);
    }

    public static function tearDownAfterClass(): void
    {
        self::$engine->stop();
    }

    public function testEveryCommandAndEveryTopicStandsHere(): void
    {
        $kinds = array_map(static fn(string $order): string => $order::kind(), Orders::ALL);
        $here = ['subscribe', 'touch', ...array_column([...self::FOR_ALL, ...self::FOR_OPERATORS], 'do')];
        self::assertSame([], [...array_diff($kinds, $here), ...array_diff($here, $kinds)]);
        $topics = array_map(static fn(string $topic): string => $topic::name(), Topics::ALL);
        self::assertSame([], [...array_diff($topics, array_keys(self::TOPICS)), ...array_diff(array_keys(self::TOPICS), $topics)]);
    }

    public function testRoleByCommand(): void
    {
        $all = [...self::FOR_ALL, ...self::FOR_OPERATORS];
        foreach ([Role::Builder, Role::Operator, Role::Viewer, Role::Guest] as $role) {
            $answers = $this->ask($role, $all);
            foreach ($all as $i => $command) {
                $isForAll = $i < \count(self::FOR_ALL);
                $error = (string) ($answers[$i]['error'] ?? '');
                $refused = preg_match('/^(Viewers|Guests) /', $error, $found) === 1 ? $found[1] : '';
                $wanted = match (true) {
                    $role === Role::Guest => $isForAll ? 'Guests' : 'Viewers',
                    $role === Role::Viewer => $isForAll ? '' : 'Viewers',
                    default => '',
                };
                self::assertSame($wanted, $refused, "{$role->value}: {$command['do']}: {$error}");
            }
        }
    }

    public function testRoleByTopic(): void
    {
        $topics = array_map(
            static fn(string $name, string $subject): string => $subject === '' ? $name : "{$name}:{$subject}",
            array_keys(self::TOPICS),
            self::TOPICS,
        );
        foreach ([Role::Builder, Role::Operator, Role::Viewer, Role::Guest] as $role) {
            $answers = $this->ask(
                $role,
                array_map(static fn(string $topic): array => ['do' => 'subscribe', 'topics' => [$topic]], $topics),
            );
            foreach ($topics as $i => $topic) {
                $mayFollow = $role !== Role::Guest || $topic === 'surface:rope';
                self::assertSame($mayFollow, $answers[$i]['ok'], "{$role->value}: {$topic}: ".($answers[$i]['error'] ?? ''));
            }
        }
        self::assertFalse($this->ask(Role::Guest, [['do' => 'subscribe', 'topics' => ['surface:other']]])[0]['ok']);
    }

    public function testSubjectsThatNoShowCanHaveAreRefused(): void
    {
        $wrong = [
            'levels:',
            'levels:Palm House',
            'levels:'.str_repeat('a', 120),
            "learn:a\0b",
            'route:../x',
            'status:x',
            'sources:',
            'outages:<b>',
            'points:nothing',
            'points:',
            'surface:X',
            'scope:',
            'nothing',
            '',
        ];
        $answers = $this->ask(
            Role::Builder,
            array_map(static fn(string $topic): array => ['do' => 'subscribe', 'topics' => [$topic]], $wrong),
        );
        foreach ($wrong as $i => $topic) {
            self::assertFalse($answers[$i]['ok'], $topic);
        }
        $strange = $this->ask(
            Role::Builder,
            [['do' => 'subscribe', 'topics' => 'status'], ['do' => 'subscribe', 'topics' => [7]], ['do' => 'subscribe', 'topics' => [], 'more' => 1], ['do' => ['hold']], ['do' => 'HOLD'], [], ['do' => 'set', 'point' => [], 'value' => 1]],
        );
        foreach ($strange as $answer) {
            self::assertFalse($answer['ok']);
        }
    }

    /**
     * @param list<array<string, mixed>> $commands
     *
     * @return list<array<string, mixed>> the answers, in the order of the commands
     */
    private function ask(Role $role, array $commands): array
    {
        $token = Token::sign(
            'Ada',
            $role,
            Secret::derive((string) getenv('APP_KEY')),
            time(),
            $role === Role::Guest ? 'rope' : '',
            'visit',
        );
        $question = [
            'url' => 'ws://127.0.0.1:'.self::$port.'/live',
            'protocols' => ['junction', $token],
            'origin' => 'http://127.0.0.1:1',
            'commands' => $commands,
            'seconds' => 0.2,
            'answersAlone' => true,
        ];
        $process = new Process(
            ['node', __DIR__.'/../Support/live.cjs'],
            Background::root(),
            null,
            json_encode($question, JSON_THROW_ON_ERROR),
            90,
        );
        $process->mustRun();
        $heard = json_decode($process->getOutput(), true, flags: JSON_THROW_ON_ERROR);
        $answers = array_column(array_filter($heard['json'], static fn(array $one): bool => $one['type'] === 'answer'), null, 'id');
        self::assertCount(\count($commands), $answers, json_encode([$heard['status'], $heard['close']]));
        ksort($answers);

        return array_values($answers);
    }
}
