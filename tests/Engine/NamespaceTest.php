<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\NodePort;
use NimbleJunction\Core\Wire\ArtNet\PollReply;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Core\Wire\Sacn\Discovery;
use NimbleJunction\Core\Wire\Sacn\Packet as Sacn;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\LiveLink;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** Multicast and broadcast, in a network namespace of the test's own, where they can go nowhere else. */
final class NamespaceTest extends TestCase
{
    private string $name;
    private ?EngineProcess $engine = null;

    protected function setUp(): void
    {
        $this->name = 'junction'.bin2hex(random_bytes(3));
        self::ip('netns', 'add', $this->name);
        foreach ([
            ['link', 'set', 'lo', 'up'],
            ['link', 'set', 'lo', 'multicast', 'on'],
            ['route', 'add', '239.0.0.0/8', 'dev', 'lo'],
            ['addr', 'add', '10.9.0.1/24', 'brd', '10.9.0.255', 'dev', 'lo'],
        ] as $words) {
            self::ip('netns', 'exec', $this->name, 'ip', ...$words);
        }
    }

    protected function tearDown(): void
    {
        $this->engine?->stop();
        self::ip('netns', 'del', $this->name);
    }

    public function testMulticastInAndOut(): void
    {
        $this->runWith([
            [
                'id' => 'in',
                'name' => 'In',
                'protocol' => 'sacn',
                'receive' => [
                    'address' => '127.0.0.1',
                    'multicast' => true,
                    'feeds' => [['number' => 300, 'universe' => 'palm']],
                ],
            ],
            [
                'id' => 'out',
                'name' => 'Out',
                'protocol' => 'sacn',
                'send' => ['address' => '127.0.0.1', 'multicast' => true, 'carries' => [['number' => 301, 'universe' => 'palm']]],
            ],
        ]);
        $said = $this->peer('239.255.1.45', <<<'PHP'
            for ($i = 0; $i < 25; ++$i) {
                $bytes[111] = chr($i);
                $say("239.255.1.44", 5568, $bytes);
                $heard = $hear();
                if ($heard !== null && ord($heard[126]) === 123) { echo "heard universe ", ord($heard[113]) << 8 | ord($heard[114]); exit(0); }
            }
            PHP, 5568, (new Data('multicast-------', 300, Rig::levels([1 => 123])))->encode());
        self::assertSame('heard universe 301', $said);
    }

    /** ANSI E1.31-2018, 4.3: universe discovery goes to universe 64214's group, 239.255.250.214, every ten seconds. */
    public function testUniversesAreDiscoveredByMulticastBothWays(): void
    {
        $this->runWith([
            [
                'id' => 'in',
                'name' => 'In',
                'protocol' => 'sacn',
                'receive' => [
                    'address' => '127.0.0.1',
                    'multicast' => true,
                    'feeds' => [['number' => 300, 'universe' => 'palm']],
                ],
            ],
            [
                'id' => 'out',
                'name' => 'Out',
                'protocol' => 'sacn',
                'send' => [
                    'address' => '127.0.0.1',
                    'multicast' => true,
                    'sourceName' => 'Our roof',
                    'carries' => [['number' => 301, 'universe' => 'palm'], ['number' => 305, 'universe' => 'palm']],
                ],
            ],
        ], live: 9777);
        $theirs = (new Discovery('somebody else---', 'Their cellar', [7, 9, 8000]))->encode();
        $ours = $this->peer('239.255.250.214', <<<'PHP'
            $say("239.255.250.214", 5568, $bytes);
            for ($i = 0; $i < 80; ++$i) {
                $heard = $hear();
                if ($heard !== null && $heard !== $bytes) { echo base64_encode($heard); exit(0); }
            }
            PHP, 5568, $theirs);
        $packet = Sacn::decode((string) base64_decode($ours, true));
        self::assertInstanceOf(Discovery::class, $packet);
        self::assertSame(['Our roof', [301, 305]], [$packet->sourceName, $packet->universes]);
        $finds = (new LiveLink(
            9777,
            Role::Operator,
            [['do' => 'subscribe', 'topics' => ['finds']]],
            1.0,
            ['ip', 'netns', 'exec', $this->name],
        ))->heard()['finds'];
        self::assertSame(
            [['Their cellar', [7, 9, 8000]]],
            array_map(static fn(array $one): array => [$one['name'], $one['gives']], end($finds)['neighbours']),
            'theirs is found, our own is not',
        );
    }

    public function testAPollAndLevelsByBroadcast(): void
    {
        $this->runWith([
            [
                'id' => 'in',
                'name' => 'In',
                'protocol' => 'art-net',
                'receive' => [
                    'address' => '0.0.0.0',
                    'poll' => ['10.9.0.255'],
                    'feeds' => [['number' => 3, 'universe' => 'palm']],
                ],
            ],
            [
                'id' => 'out',
                'name' => 'Out',
                'protocol' => 'art-net',
                'send' => [
                    'address' => '10.9.0.1',
                    'to' => ['10.9.0.255'],
                    'port' => 6455,
                    'carries' => [['number' => 4, 'universe' => 'palm']],
                ],
            ],
        ], live: 9778);
        $reply = (new PollReply('10.9.0.1', 'Cellar node', 'Cellar node', [NodePort::output(2)]))->encode();
        $said = $this->peer('10.9.0.255', <<<'PHP'
            [$levels, $reply] = explode("|", $bytes, 2);
            $out = null;
            for ($i = 0; $i < 40 && $out === null; ++$i) {
                $say("10.9.0.255", 6454, base64_decode($levels));
                $out = $hear();
            }
            $say("10.9.0.1", 6454, base64_decode($reply));
            echo $out === null ? "nothing" : bin2hex(substr($out, 0, 18)).ord($out[18]);
            PHP, 6455, base64_encode((new Dmx(3, Rig::levels([1 => 99])))->encode()).'|'.base64_encode($reply));
        self::assertStringStartsWith(bin2hex("Art-Net\0\x00\x50"), $said);
        self::assertStringEndsWith('99', $said);
        $finds = (new LiveLink(
            9778,
            Role::Operator,
            [['do' => 'subscribe', 'topics' => ['finds', 'status']]],
            4.0,
            ['ip', 'netns', 'exec', $this->name],
        ))->heard();
        self::assertSame(
            ['Cellar node'],
            array_column(end($finds['finds'])['neighbours'], 'name'),
            'and we do not find ourselves, though our own poll comes back to us',
        );
        self::assertSame([2], end($finds['finds'])['neighbours'][0]['takes']);
        self::assertSame(0, end($finds['status'])['ports']['in']['refused']);
    }

    /** @param list<array<string, mixed>> $ports */
    private function runWith(array $ports, ?int $live = null): void
    {
        $document = [...EngineProcess::document('127.0.0'), 'ports' => $ports, 'routes' => []];
        $options = ['--for=170', ...($live === null ? [] : ["--live=127.0.0.1:{$live}"])];
        $this->engine = new EngineProcess($document, $options, ['ip', 'netns', 'exec', $this->name]);
    }

    /** A program in the namespace that listens at an address (and joins its group) and says what it is told to. */
    private function peer(string $address, string $script, int $port, string $bytes): string
    {
        $begin = <<<'PHP'
            [, $address, $port, $given] = $argv;
            $bytes = base64_decode($given);
            $in = socket_create(AF_INET, SOCK_DGRAM, SOL_UDP);
            socket_set_option($in, SOL_SOCKET, SO_REUSEADDR, 1);
            socket_bind($in, $address, (int) $port);
            if (str_starts_with($address, "239.")) { socket_set_option($in, IPPROTO_IP, MCAST_JOIN_GROUP, ["group" => $address, "interface" => "lo"]); }
            socket_set_option($in, SOL_SOCKET, SO_RCVTIMEO, ["sec" => 0, "usec" => 200000]);
            $out = socket_create(AF_INET, SOCK_DGRAM, SOL_UDP);
            socket_set_option($out, IPPROTO_IP, IP_MULTICAST_IF, "lo");
            socket_set_option($out, SOL_SOCKET, SO_BROADCAST, 1);
            $say = fn(string $to, int $at, string $what) => socket_sendto($out, $what, strlen($what), 0, $to, $at);
            $hear = fn(): ?string => @socket_recvfrom($in, $heard, 2000, 0, $from, $at) ? $heard : null;
            PHP;
        $peer = new Process(
            ['ip', 'netns', 'exec', $this->name, PHP_BINARY, '-r', "{$begin}\n{$script}", $address, (string) $port, base64_encode($bytes)],
            null,
            null,
            null,
            180,
        );
        $peer->run();
        self::assertSame('', $peer->getErrorOutput(), (string) $this->engine?->process()->output());

        return $peer->getOutput();
    }

    private static function ip(string ...$words): void
    {
        (new Process(['ip', ...$words]))->mustRun();
    }
}
