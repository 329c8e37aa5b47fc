<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\Net\Counters;
use NimbleJunction\Engine\Net\Holder;
use NimbleJunction\Engine\Net\UdpSocket;
use NimbleJunction\Engine\PortReport;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\LiveLink;
use NimbleJunction\Tests\Support\Udp;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** The evidence of a check, from real packets and the system's own counts. */
final class CheckTest extends TestCase
{
    private const NET = '127.83.1';
    private int $live;
    private ?EngineProcess $engine = null;

    protected function tearDown(): void
    {
        $this->engine?->stop();
    }

    public function testASwappedPortIsRememberedFromBeforeTheCheckWasOpened(): void
    {
        $this->begin([[
            'id' => 'tablet',
            'name' => 'Tablet',
            'protocol' => 'osc',
            'receive' => ['address' => self::NET.'.1', 'port' => 8000],
            'send' => ['to' => [self::NET.'.5'], 'port' => 9000],
        ]]);
        Background::until(static fn(): bool => UdpSocket::isTaken(self::NET.'.1', 9000), 'The crossed number being listened at');
        $tablet = new Udp(self::NET.'.5');
        $tablet->send("/fader\0\0,i\0\0\0\0\0\x07", self::NET.'.1:9000');
        usleep(300_000);
        $findings = $this->check('tablet', self::NET.'.5');
        self::assertStringContainsString('The two ports are swapped', $findings['Is anything heard?']['words']);
        self::assertSame(['receive/port' => 9000, 'send/port' => 8000], $findings['Is anything heard?']['fix']['changes']);
        // As soon as it hears something, others may have that number.
        $tablet->send("/fader\0\0,i\0\0\0\0\0\x07", self::NET.'.1:8000');
        Background::until(static fn(): bool => ! UdpSocket::isTaken(self::NET.'.1', 9000), 'The crossed number being let go of');
        $tablet->close();
    }

    public function testOurOwnLevelsComingBackAndNobodyConnected(): void
    {
        $this->begin([
            ['id' => 'loop', 'name' => 'Loop', 'protocol' => 'art-net', 'receive' => ['address' => self::NET.'.1', 'feeds' => [['number' => 1, 'universe' => 'palm']]], 'send' => ['address' => self::NET.'.1', 'to' => [self::NET.'.1'], 'carries' => [['number' => 1, 'universe' => 'palm']]]],
            ['id' => 'line', 'name' => 'Line', 'protocol' => 'osc', 'link' => ['kind' => 'tcp', 'framing' => 'slip'], 'receive' => ['address' => self::NET.'.1', 'port' => 8100], 'send' => ['to' => [], 'port' => 8100]],
        ]);
        $found = $this->check('loop', self::NET.'.9', [['do' => 'hold', 'universe' => 'palm', 'slot' => 1, 'level' => 9]]);
        self::assertSame('wrong', $found['Do our own packets come back?']['state'], json_encode($found, JSON_THROW_ON_ERROR));
        self::assertSame('We send, and nobody hears: nobody is connected.', $this->check('line', '')['Do they hear us?']['words']);
    }

    public function testTheProgramThatHasThePortIsNamed(): void
    {
        $other = new Process([
            'php',
            '-r',
            '$s = stream_socket_server("udp://'.self::NET.'.1:8123", $c, $m, STREAM_SERVER_BIND); echo "there"; sleep(60);',
        ]);
        $other->start();
        try {
            $other->waitUntil(static fn(string $type, string $output): bool => str_contains($output, 'there'));
            self::assertSame("php (process {$other->getPid()})", Holder::of(self::NET.'.1', 8123));
            self::assertSame('', Holder::of(self::NET.'.2', 8123), 'another address is not in the way');
            $this->begin([[
                'id' => 'tablet',
                'name' => 'Tablet',
                'protocol' => 'osc',
                'receive' => ['address' => self::NET.'.1', 'port' => 8123],
            ]]);
            self::assertStringContainsString(
                "is in use by php (process {$other->getPid()}): close that program",
                $this->check('tablet', '')['Is the port open?']['words'],
            );
        } finally {
            $other->stop(1);
        }
    }

    public function testStraysAreRememberedForAMinute(): void
    {
        $engine = new Engine(new Identity(str_repeat('J', 16)));
        $engine->adopt(json_encode(EngineProcess::document(self::NET), JSON_THROW_ON_ERROR));
        try {
            $key = (string) array_key_first(array_filter(
                $engine->junction->plan()->endpoints,
                static fn(object $one): bool => $one->port === 6454,
            ));
            $now = Engine::now();
            $engine->junction->arrived($key, self::NET.'.11', 6454, (new Dmx(5, 'abcd'))->encode(), $now);
            $report = new PortReport($engine->junction, $engine->transports);
            self::assertCount(1, $report->strays($now + 5_000_000_000));
            self::assertCount(0, $report->strays($now + 50_000_000_000));
            self::assertSame(5, $report->strays($now + 50_000_000_000, 60_000_000_000)[0]->number);
        } finally {
            $engine->stop(false);
        }
    }

    /** Names and order of the counters as Linux writes them; the values are made up. */
    public function testWhatTheSystemCountsOverAMinute(): void
    {
        $folder = sys_get_temp_dir().'/junction-counters-'.bin2hex(random_bytes(6));
        mkdir($folder);
        $write = static function (
            int $received,
            int $delivered,
            int $unheard,
            int $wrongWay,
            int $fragments = 0,
            int $whole = 0,
        ) use ($folder): void {
            file_put_contents(
                "{$folder}/snmp",
                "Ip: InReceives InHdrErrors InDelivers ReasmReqds ReasmOKs\nIp: {$received} 1 {$delivered} {$fragments} {$whole}\nUdp: InDatagrams NoPorts InErrors\nUdp: 50 {$unheard} 0\n",
            );
            file_put_contents("{$folder}/netstat", "TcpExt: SyncookiesSent IPReversePathFilter\nTcpExt: 0 {$wrongWay}\n");
        };
        try {
            $counters = new Counters($folder);
            self::assertEquals([0, 0, 0], array_values(get_object_vars($counters->lately())));
            $write(1000, 990, 5, 0);
            $counters->look(100);
            $write(1100, 1060, 12, 10);
            $counters->look(130);
            self::assertSame(['unheard' => 7, 'filtered' => 20, 'wrongWay' => 10], get_object_vars($counters->lately()));
            // Three fragments are one packet.
            $write(1103, 1061, 12, 10, 3, 1);
            $counters->look(140);
            self::assertSame(20, $counters->lately()->filtered);
            $counters->look(161);
            self::assertSame(['unheard' => 0, 'filtered' => 0, 'wrongWay' => 0], get_object_vars($counters->lately()), 'a minute later');
        } finally {
            (new Process(['rm', '-rf', $folder]))->run();
        }
    }

    /** @param list<array<string, mixed>> $ports */
    private function begin(array $ports): void
    {
        $this->live = Background::freePort();
        $document = [
            'format' => 'nimble-junction/show',
            'version' => 2,
            'name' => 'Check',
            'universes' => [['id' => 'palm', 'name' => 'Palm House']],
            'ports' => $ports,
        ];
        $this->engine = new EngineProcess($document, ['--for=170', "--live=127.0.0.1:{$this->live}"]);
    }

    /**
     * @param list<array<string, mixed>> $before
     *
     * @return array<string, array<string, mixed>> by question
     */
    private function check(string $port, string $other, array $before = []): array
    {
        $ask = ['do' => 'check', 'port' => $port] + ($other === '' ? [] : ['other' => $other]);
        foreach ($before === [] ? [] : [$before] as $commands) {
            (new LiveLink($this->live, Role::Operator, $commands, 0.5))->heard();
        }
        $answers = (new LiveLink($this->live, Role::Operator, [$ask], 0.4))->heard()['answer'];

        return array_column(end($answers)['findings'], null, 'question');
    }
}
