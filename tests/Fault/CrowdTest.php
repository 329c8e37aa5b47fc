<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Fault;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\LengthFraming;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\Net\Descriptors;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\LiveLink;
use NimbleJunction\Tests\Support\Netns;
use NimbleJunction\Tests\Support\Rig;
use NimbleJunction\Tests\Support\StateFolder;
use NimbleJunction\Tests\Support\Udp;
use PHPUnit\Framework\TestCase;

/** More who come in than there is room for, other ends that are gone without a word, pages that follow everything. */
final class CrowdTest extends TestCase
{
    private const NET = '127.78.42';
    private StateFolder $folder;
    private ?EngineProcess $engine = null;

    /** @var list<resource> */
    private array $open = [];

    protected function setUp(): void
    {
        $this->folder = new StateFolder();
    }

    protected function tearDown(): void
    {
        foreach ($this->open as $socket) {
            \is_resource($socket) && fclose($socket);
        }
        $this->engine?->stop();
        $this->folder->delete();
    }

    /** stream_select() cannot wait on descriptors from 1024 on: none of these may ever come so far. */
    public function testIdleConnectionsEndNothing(): void
    {
        $live = Background::freePort();
        $document = EngineProcess::document(self::NET);
        $document['ports'][] = self::tcp(8100);
        $this->engine = $this->folder->engine($document, ["--live=127.0.0.1:{$live}"]);
        $crowds = [];
        foreach (['tcp://'.self::NET.'.1:8100', "tcp://127.0.0.1:{$live}", "unix://{$this->folder->path}/engine.sock"] as $door) {
            // In a process of its own: this one too could not wait on so many.
            $crowds[] = $crowd = new Background([PHP_BINARY, 'tests/Support/crowd.php', $door, '600']);
            $crowd->untilSaid('connected');
        }
        $open = \count(scandir("/proc/{$this->engine->process()->pid()}/fd") ?: []);
        self::assertLessThan(1000, $open);
        $desk = new Udp(self::NET.'.11', 6454);
        $line = new Udp(self::NET.'.2', 5120);
        $desk->send((new Dmx(1, Rig::levels([1 => 77])))->encode(), self::NET.'.1:6454');
        $line->until(static fn(string $bytes): bool => $bytes[1] === "\x4D");
        self::assertSame(
            'The command is not known. Known is: adopt, with a document.',
            $this->folder->tell(['do' => 'dance'])['error'],
            'its doors still open',
        );
        array_map(static fn(Background $crowd): int => $crowd->stop(), $crowds);
        // Whoever never showed a token is shown out, and then a page gets in again.
        $status = Background::until(
            static fn(): ?array => (new LiveLink(
                $live,
                Role::Viewer,
                [['do' => 'subscribe', 'topics' => ['status']]],
                0.2,
            ))->heardIfOpen()['status'] ?? null,
            'A page coming in',
        );
        self::assertLessThan(Descriptors::MOST, end($status)['engine']['descriptors'], 'and what is in use is shown');
        $desk->close();
        $line->close();
    }

    /** A page of very many universes used to be cut off and to come back for ever. */
    public function testAPageMayFollowEverything(): void
    {
        $live = Background::freePort();
        $document = EngineProcess::document(self::NET);
        for ($i = 1; $i <= 300; ++$i) {
            $document['universes'][] = ['id' => "u{$i}", 'name' => "Universe {$i}"];
            $document['ports'][0]['receive']['feeds'][] = ['number' => 100 + $i, 'universe' => "u{$i}"];
        }
        $this->engine = $this->folder->engine($document, ["--live=127.0.0.1:{$live}"]);
        $desk = new Udp(self::NET.'.11', 6454);
        for ($i = 1; $i <= 300; ++$i) {
            $desk->send((new Dmx(100 + $i, Rig::levels([1 => 1 + $i % 255])))->encode(), self::NET.'.1:6454');
        }
        $topics = ['status', ...array_merge(...array_map(static fn(int $i): array => ["levels:u{$i}", "sources:u{$i}"], range(1, 300)))];
        $link = new LiveLink($live, Role::Viewer, [['do' => 'subscribe', 'topics' => $topics]], 4.0);
        for ($turn = 0; $link->isRunning() && $turn < 200; ++$turn) {
            for ($i = 1; $i <= 300; ++$i) {
                $desk->send((new Dmx(100 + $i, Rig::levels([1 => 1 + ($i + $turn) % 255])))->encode(), self::NET.'.1:6454');
            }
            usleep(20_000);
        }
        $heard = $link->heardWhole();
        self::assertNull($heard['close'], 'the link stays open');
        $shown = array_unique(
            array_column(array_filter($heard['levels'], static fn(array $one): bool => $one['kind'] === 1), 'universe'),
        );
        self::assertCount(300, $shown, 'and every universe is shown');
        $desk->close();
    }

    /** A client that is gone without a word: its machine lost power, its cable was pulled. */
    public function testAHalfOpenConnectionIsFoundAndLocksNobodyOut(): void
    {
        $here = new Netns();
        try {
            $other = $here->pair('light', '10.9.1.1/24', '10.9.1.2/24');
            $document = [
                ...EngineProcess::document('127.0.0'),
                'ports' => [[...self::tcp(8100), 'receive' => ['address' => '10.9.1.1', 'port' => 8100]]],
                'routes' => [],
            ];
            $live = 9791;
            $this->engine = $this->folder->engine($document, ["--live=127.0.0.1:{$live}"], true, Netns::words($here->name));
            $connected = static fn(): array => self::last($live, $here)['ports']['call']['connected'];
            $client = new Background(
                [
                    ...Netns::words($other),
                    PHP_BINARY,
                    '-r',
                    '$all = []; for ($i = 0; $i < 16; ++$i) { $all[] = stream_socket_client("tcp://10.9.1.1:8100"); } echo "there\n"; sleep(120);',
                ],
            );
            $client->untilSaid('there');
            Background::until(static fn(): bool => \count($connected()) === 16, 'All being connected');
            Netns::in($other, 'ip', 'link', 'set', 'peer', 'down');
            $client->stop();
            Background::until(static fn(): bool => $connected() === [], 'The lost connections being found');
            Netns::in($other, 'ip', 'link', 'set', 'peer', 'up');
            $again = new Background(
                [
                    ...Netns::words($other),
                    PHP_BINARY,
                    '-r',
                    '$one = stream_socket_client("tcp://10.9.1.1:8100"); echo "there\n"; sleep(120);',
                ],
            );
            Background::until(static fn(): bool => \count($connected()) === 1, 'Somebody new being connected');
            $again->stop();
            $this->addToAssertionCount(1);
        } finally {
            $this->engine?->stop();
            $this->engine = null;
            $here->delete();
        }
    }

    /** What was sent while nobody was there is told to whoever comes; the port needs no number to send to. */
    public function testWhoeverConnectsIsToldWhatIsShown(): void
    {
        $document = EngineProcess::document(self::NET);
        $document['ports'][] = self::tcp(8101);
        $document['routes'] = [
            [
                'id' => 'out',
                'name' => 'Out',
                'from' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 1],
                'to' => [
                    'kind' => 'message',
                    'port' => 'call',
                    'address' => '/level',
                    'low' => 0,
                    'high' => 255,
                    'type' => 'int',
                ],
            ],
        ];
        $this->engine = $this->folder->engine($document);
        $desk = new Udp(self::NET.'.11', 6454);
        $line = new Udp(self::NET.'.2', 5120);
        $desk->send((new Dmx(1, Rig::levels([1 => 77])))->encode(), self::NET.'.1:6454');
        $line->until(static fn(string $bytes): bool => $bytes[1] === "\x4D");
        $wanted = LengthFraming::frame((new Message('/level', [Argument::of(77)]))->encode());
        foreach (['the first', 'and one who comes later'] as $who) {
            $client = stream_socket_client('tcp://'.self::NET.'.1:8101');
            stream_set_timeout($client, 40);
            self::assertSame($wanted, fread($client, \strlen($wanted)), $who);
            $this->open[] = $client;
        }
        $desk->close();
        $line->close();
    }

    /** @return array<string, mixed> */
    private static function tcp(int $port): array
    {
        return [
            'id' => 'call',
            'name' => 'Call',
            'protocol' => 'osc',
            'link' => ['kind' => 'tcp'],
            'receive' => ['address' => self::NET.'.1', 'port' => $port],
            'send' => ['enabled' => true],
        ];
    }

    /** @return array<string, mixed> */
    private static function last(int $live, Netns $here): array
    {
        $all = (new LiveLink(
            $live,
            Role::Viewer,
            [['do' => 'subscribe', 'topics' => ['status']]],
            0.3,
            Netns::words($here->name),
        ))->heard()['status'];

        return end($all);
    }
}
