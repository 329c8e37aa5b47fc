<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\LiveLink\Token;
use NimbleJunction\Engine\Order\ForGuests;
use NimbleJunction\Engine\Order\Orders;
use NimbleJunction\Engine\Topic\ForGuests as FollowedByGuests;
use NimbleJunction\Engine\Topic\Topics;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\LiveLink;
use PHPUnit\Framework\TestCase;

/** Surfaces by the live link: what they are told, how they are touched, and all that a guest must not. */
final class SurfaceLinkTest extends TestCase
{
    private static EngineProcess $engine;
    private static int $port;

    public static function setUpBeforeClass(): void
    {
        $control = static fn(string $id, array $does): array => [
            'id' => $id,
            'name' => ucfirst($id),
            'column' => 1 + \ord($id[0]) % 6,
            'does' => $does,
        ];
        $surface = static fn(string $id, array $controls): array => [
            'id' => $id,
            'name' => ucfirst($id),
            'pages' => [['id' => 'p', 'name' => 'Page', 'controls' => $controls]],
        ];
        self::$port = Background::freePort();
        self::$engine = new EngineProcess([
            ...EngineProcess::document('127.78.52'), ...Evening::show(), 'ports' => [],
            'surfaces' => [
                $surface('guide', [
                    $control('fern', ['kind' => 'fader', 'points' => [['point' => 'fixture:a/level', 'low' => 0, 'high' => 50]]]),
                    $control('bell', ['kind' => 'button', 'mode' => 'momentary', 'points' => [['point' => 'fixture:b/level']]]),
                ]),
                $surface('booth', [$control('dark', ['kind' => 'button', 'points' => [['point' => 'master:blackout']]])]),
            ],
        ], ['--for=120', '--live=127.0.0.1:'.self::$port]);
    }

    public static function tearDownAfterClass(): void
    {
        self::$engine->stop();
    }

    public function testASurfaceIsToldAsItIsBuiltAndWhatItsControlsShow(): void
    {
        $heard = $this->heard(Role::Guest, [
            ['do' => 'subscribe', 'topics' => ['surface:guide']],
            ['do' => 'touch', 'surface' => 'guide', 'control' => 'fern', 'value' => 60],
        ], 'guide');
        self::assertSame([true, true], array_column($heard['answer'], 'ok'));
        self::assertSame(['guide', 'Guide'], [$heard['surface'][0]['surface'], $heard['surface'][0]['name']]);
        self::assertSame(['fern', 'bell'], array_column($heard['surface'][0]['pages'][0]['controls'], 'id'));
        $lives = array_merge(...array_column($heard['controls'], 'controls'));
        self::assertEqualsWithDelta(0.6, $lives['fern']['at'][0], 0.005);
        self::assertSame('30 %', $lives['fern']['text']);
        self::assertGreaterThan(1, \count($heard['controls']), 'it says something though nothing changes');
    }

    public function testAGuestReachesItsOwnSurfaceAndNothingElse(): void
    {
        $orders = array_values(array_filter(Orders::ALL, static fn(string $order): bool => ! is_subclass_of($order, ForGuests::class)));
        self::assertCount(\count(Orders::ALL) - 2, $orders, 'guests follow and touch');
        $topics = array_filter(Topics::ALL, static fn(string $topic): bool => is_subclass_of($topic, FollowedByGuests::class));
        self::assertCount(1, $topics);
        $commands = array_map(static fn(string $order): array => self::whole($order::kind()), $orders);
        foreach ([
            ...array_map(static fn(string $topic): string => $topic::name(), Topics::ALL),
            'levels:palm',
            'points:fixture:a/level',
            'points:surface:guide/fern',
            'sources:palm',
            'surface:booth',
            'surface',
        ] as $topic) {
            $commands[] = ['do' => 'subscribe', 'topics' => ['surface:guide', $topic]];
        }
        $commands[] = ['do' => 'touch', 'surface' => 'booth', 'control' => 'dark'];
        $commands[] = ['do' => 'touch', 'surface' => 'guide', 'control' => 'dark'];
        $commands[] = ['do' => 'touch', 'surface' => 'guide', 'control' => 'fern', 'part' => 'across', 'value' => 9];
        $commands[] = ['do' => 'touch', 'surface' => 'guide', 'control' => '../booth', 'value' => 9];
        $commands[] = ['do' => 'touch', 'surface' => 'guide', 'control' => 'fern', 'value' => 'loud'];
        $heard = $this->heard(Role::Guest, $commands, 'guide');
        self::assertCount(\count($commands), $heard['answer']);
        foreach ($heard['answer'] as $answer) {
            self::assertFalse($answer['ok'], json_encode($commands[$answer['id']], JSON_THROW_ON_ERROR));
        }
        self::assertSame([], array_diff(array_keys($heard), ['welcome', 'answer']), 'and it is told nothing');
        $left = $this->heard(Role::Operator, [['do' => 'subscribe', 'topics' => ['points:master:blackout']]]);
        self::assertSame(0, $left['point'][0]['value']);
    }

    public function testWhatAGuestHoldsDownComesUpWhenItsPageIsGone(): void
    {
        $this->heard(Role::Guest, [['do' => 'touch', 'surface' => 'guide', 'control' => 'bell', 'value' => 1]], 'guide');
        $heard = $this->heard(Role::Operator, [['do' => 'subscribe', 'topics' => ['points:fixture:b/level', 'trace']]]);
        self::assertEquals(0, end($heard['point'])['value']);
        $words = array_merge(...array_map(
            static fn(array $news): array => array_map(
                static fn(array $event): string => json_encode($event, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES),
                $news['events'],
            ),
            $heard['trace'],
        ));
        self::assertNotSame(
            [],
            array_filter($words, static fn(string $line): bool => str_contains($line, 'Ada at Guide sets surface:guide/bell to 1')),
            'it had been down',
        );
    }

    public function testAViewerSeesASurfaceAndMovesNothingAndAnOperatorMovesAll(): void
    {
        $touch = ['do' => 'touch', 'surface' => 'booth', 'control' => 'dark'];
        self::assertFalse($this->heard(Role::Viewer, [$touch])['answer'][0]['ok']);
        $heard = $this->heard(Role::Operator, [$touch, $touch, ['do' => 'send-away', 'page' => 99]]);
        self::assertSame([true, true, false], array_column($heard['answer'], 'ok'));
    }

    public function testAGuestIsListedWithItsAddressAndSentAwayForGood(): void
    {
        $secret = \App\Live\Secret::derive((string) getenv('APP_KEY'));
        $guest = $this->link(
            Token::sign('Guide', Role::Guest, $secret, time(), 'guide', 'visit-one'),
            [['do' => 'touch', 'surface' => 'guide', 'control' => 'fern', 'value' => 1]],
            20,
        );
        $person = null;
        Background::until(function () use (&$person): bool {
            $people = $this->heard(Role::Operator, [['do' => 'subscribe', 'topics' => ['present']]])['present'][0]['people'] ?? [];
            $person = array_values(array_filter(
                $people,
                static fn(array $one): bool => $one['role'] === 'guest' && $one['touchedAt'] !== null,
            ))[0] ?? null;

            return $person !== null;
        }, 'the guest being seen');
        self::assertSame(['/s/guide', '127.0.0.1', 'Guide'], [$person['place'], $person['address'], $person['name']]);
        self::assertTrue($this->heard(Role::Operator, [['do' => 'send-away', 'page' => $person['page']]])['answer'][0]['ok']);
        self::assertSame(4403, $guest()['close']);
        self::assertSame(
            4403,
            $this->link(Token::sign('Guide', Role::Guest, $secret, time(), 'guide', 'visit-one'), [], 5)()['close'],
            'its visit is over',
        );
        self::assertNull(
            $this->link(Token::sign('Guide', Role::Guest, $secret, time(), 'guide', 'visit-two'), [], 1)()['close'],
            'another one begins',
        );
    }

    public function testTokensOfGuestsAreOfOneSurfaceAndNoOtherTokenIs(): void
    {
        self::assertNull(Token::verify(Token::sign('X', Role::Guest, 's', 1000), 's', 1000));
        self::assertNull(Token::verify(Token::sign('X', Role::Builder, 's', 1000, 'guide', 'v'), 's', 1000));
        $token = Token::verify(Token::sign('X', Role::Guest, 's', 1000, 'guide', 'v'), 's', 1000);
        self::assertSame(
            ['guide', 'v', false, false],
            [$token?->surface, $token?->visit, $token?->role->mayBuild(), $token?->role->mayOperate()],
        );
    }

    /**
     * @param list<array<string, mixed>> $commands
     *
     * @return array<string, list<array<string, mixed>>>
     */
    private function heard(Role $role, array $commands, string $surface = ''): array
    {
        return (new LiveLink(self::$port, $role, $commands, 1.2, surface: $surface))->heard();
    }

    /**
     * @param list<array<string, mixed>> $commands
     *
     * @return \Closure(): array<string, mixed> what came of it
     */
    private function link(string $token, array $commands, int $seconds): \Closure
    {
        $question = [
            'url' => 'ws://127.0.0.1:'.self::$port.'/?token='.urlencode($token),
            'origin' => 'http://127.0.0.1:1',
            'commands' => $commands,
            'seconds' => $seconds,
        ];
        $process = new \Symfony\Component\Process\Process(
            ['node', 'tests/Support/live.cjs'],
            Background::root(),
            null,
            json_encode($question, JSON_THROW_ON_ERROR),
            60,
        );
        $process->start();

        return static function () use ($process): array {
            $process->wait();

            return json_decode($process->getOutput(), true, flags: JSON_THROW_ON_ERROR);
        };
    }

    /** @return array<string, mixed> an order as somebody would give it who may */
    private static function whole(string $word): array
    {
        $fields = ['universe' => 'palm', 'slot' => 1, 'level' => 9, 'fixture' => 'a', 'fixtures' => ['a'], 'parameter' => 'level', 'value' => 1, 'from' => 'leaves', 'to' => 1,
            'point' => 'master:blackout',
            'text' => 'a',
            'port' => 'x',
            'place' => '/',
            'device' => 'midi x',
            'devices' => ['midi x'],
            'colour' => '#ffffff',
            'page' => 1,
            'mine' => true,
            'format' => 'json lines', 'events' => [1], 'values' => [['point' => 'fixture:a/level', 'value' => 1]], 'trigger' => ['kind' => 'started'], 'fan' => 'across'];
        $class = array_values(array_filter(Orders::ALL, static fn(string $order): bool => $order::kind() === $word))[0];
        $names = array_map(
            static fn($field): string => $field->name,
            array_filter($class::fields(), static fn($field): bool => $field->isNeeded),
        );

        return ['do' => $word, ...array_intersect_key($fields, array_flip($names))];
    }
}
