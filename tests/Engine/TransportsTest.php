<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\LengthFraming;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Core\Wire\Osc\Packet;
use NimbleJunction\Core\Wire\RtpMidi\Outcome;
use NimbleJunction\Core\Wire\RtpMidi\Session;
use NimbleJunction\Core\Wire\RtpMidi\SessionState;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\PseudoTerminal;
use NimbleJunction\Tests\Support\Udp;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** Every way in and out that is no UDP datagram, with a running engine. */
final class TransportsTest extends TestCase
{
    private const NET = '127.78.9';
    private string $directory;
    private ?EngineProcess $engine = null;
    private Udp $line;

    protected function setUp(): void
    {
        $this->directory = sys_get_temp_dir().'/junction-transports-'.getmypid();
        mkdir($this->directory);
        $this->line = new Udp(self::NET.'.2', 5120);
    }

    protected function tearDown(): void
    {
        $this->engine?->stop();
        $this->line->close();
        foreach (['cables/*', 'devices/*', '*'] as $pattern) {
            foreach (glob("{$this->directory}/{$pattern}") ?: [] as $path) {
                is_dir($path) ? @rmdir($path) : @unlink($path);
            }
        }
        rmdir($this->directory);
    }

    public function testOscOverTcpWithLengthsBothWays(): void
    {
        $this->runWith(
            ['kind' => 'tcp', 'framing' => 'length'],
            'osc',
            ['address' => self::NET.'.1', 'port' => 8100],
            ['to' => [], 'port' => 8100],
            '/lamp',
            1,
        );
        $client = stream_socket_client('tcp://'.self::NET.'.1:8100');
        $bytes = LengthFraming::frame((new Message('/lamp', [Argument::float(0.5)]))->encode());
        fwrite($client, substr($bytes, 0, 7));
        fwrite($client, substr($bytes, 7));
        $this->untilSlot(1, 128);
        $back = $this->untilRead(
            $client,
            static fn(string $read): bool => \strlen($read) >= 4 && \strlen($read) >= 4 + unpack('N', $read)[1],
            fn() => fwrite($client, LengthFraming::frame((new Message('/turn', [Argument::float(1.0)]))->encode())),
        );
        self::assertSame(
            '/lamp',
            Packet::decode(substr($back, 4, unpack('N', $back)[1]))[0]->address,
            'what the slot is now comes back on the same connection',
        );
        fclose($client);
        $again = stream_socket_client('tcp://'.self::NET.'.1:8100');
        fwrite($again, LengthFraming::frame((new Message('/lamp', [Argument::float(1.0)]))->encode()));
        $this->untilSlot(1, 255);
        fwrite($again, "\xFF\xFF\xFF\xFFrubbish");
        $this->untilRead($again, static fn(): bool => feof($again), static fn() => null);
        self::assertTrue($this->engine->process()->isRunning(), 'a stream that cannot be read is closed, and nothing else');
        fclose($again);
    }

    /** Oracle: the npm library osc, which frames OSC on TCP with SLIP. */
    public function testOscOverTcpWithSlipAgainstAnotherLibrary(): void
    {
        $this->runWith(
            ['kind' => 'tcp', 'framing' => 'slip'],
            'osc',
            ['address' => self::NET.'.1', 'port' => 8101],
            ['to' => [], 'port' => 8101],
            '/lamp',
            1,
        );
        $process = new Process(
            ['node', \dirname(__DIR__).'/Support/osc-tcp.cjs', self::NET.'.1', '8101', '/turn', '1'],
            Background::root(),
            null,
            null,
            180,
        );
        $process->mustRun();
        $message = json_decode($process->getOutput(), true, flags: JSON_THROW_ON_ERROR);
        self::assertSame(['/lamp', 1], [$message['address'], $message['args'][0]['value']]);
        $this->untilSlot(1, 255);
    }

    public function testWeCallAnotherEndAndTryAgainUntilItIsThere(): void
    {
        $this->runWith(
            ['kind' => 'tcp', 'framing' => 'length'],
            'osc',
            null,
            ['to' => [self::NET.'.7'], 'port' => 8200],
            '/lamp',
            1,
            false,
        );
        $this->untilSaid('Not connected to 127.78.9.7:8200');
        $server = stream_socket_server('tcp://'.self::NET.'.7:8200');
        $guest = stream_socket_accept($server, 8);
        self::assertNotFalse($guest, 'called again within two seconds');
        $desk = new Udp(self::NET.'.11');
        stream_set_blocking($guest, false);
        $read = '';
        $level = 0;
        // The system has taken the call before the engine knows of it: what is sent until then reaches nobody.
        Background::until(static function () use ($desk, $guest, &$read, &$level): bool {
            $desk->send((new Dmx(1, str_repeat(\chr(++$level % 256), 512)))->encode(), self::NET.'.1:6454');
            $read .= (string) fread($guest, 4096);

            return \strlen($read) >= 4 && \strlen($read) >= 4 + unpack('N', $read)[1];
        }, 'A whole packet from the engine', 8);
        self::assertSame('/lamp', Packet::decode(substr($read, 4, unpack('N', $read)[1]))[0]->address);
        $desk->close();
        fclose($guest);
        fclose($server);
    }

    public function testARawMidiDevice(): void
    {
        mkdir("{$this->directory}/devices");
        $fifo = "{$this->directory}/devices/midi";
        posix_mkfifo($fifo, 0o600);
        $this->runWith(['kind' => 'device', 'device' => $fifo], 'midi', ['enabled' => true], null, '/controller/1/16', 127);
        $pen = fopen($fifo, 'w');
        fwrite($pen, "\xB0\x10\x40\x10\x7F");
        $this->untilSlot(1, 255, 'running status is undone');
        fwrite($pen, "\xB0\x10");
        fwrite($pen, "\xF8\x20");
        $this->untilSlot(1, 64, 'a message in two pieces, a clock in the middle');
        fclose($pen);
        $pen = fopen($fifo, 'w');
        fwrite($pen, "\xB0\x10\x7F");
        $this->untilSlot(1, 255, 'whoever writes may come and go');
        fclose($pen);
    }

    /** What it warns of comes by another pipe than that it runs, and may come a moment later. */
    private function untilSaid(string $words): void
    {
        Background::until(fn(): bool => str_contains((string) $this->engine?->process()->output(), $words), "\"{$words}\" from the engine");
        $this->addToAssertionCount(1);
    }

    public function testADeviceThatIsPluggedInLater(): void
    {
        mkdir("{$this->directory}/devices");
        $fifo = "{$this->directory}/devices/later";
        $this->runWith(['kind' => 'device', 'device' => $fifo], 'midi', ['enabled' => true], null, '/controller/1/16', 127);
        $this->untilSaid("{$fifo} is not there: plug the device in");
        posix_mkfifo($fifo, 0o600);
        $pen = fopen($fifo, 'r+');
        fwrite($pen, "\xB0\x10\x7F");
        $this->untilSlot(1, 255);
        fclose($pen);
    }

    public function testAVirtualCable(): void
    {
        $this->runWith(
            ['kind' => 'cable', 'device' => 'lectern'],
            'midi',
            ['enabled' => true],
            ['enabled' => true],
            '/controller/1/16',
            127,
        );
        $one = stream_socket_client("unix://{$this->directory}/cables/lectern.midi");
        $two = stream_socket_client("unix://{$this->directory}/cables/lectern.midi");
        self::assertSame(0o600, fileperms("{$this->directory}/cables/lectern.midi") & 0o777, 'for the same user alone');
        fwrite($one, "\xB0\x10\x40");
        $this->untilSlot(1, 129);
        fwrite($one, "\xB0\x11\x7F");
        self::assertSame(
            "\xB0\x10\x7F",
            $this->untilRead($two, static fn(string $read): bool => \strlen($read) >= 3, static fn() => null),
            'all that are plugged in hear what we send',
        );
        fclose($one);
        fclose($two);
    }

    public function testWeAreInvitedToAMidiSession(): void
    {
        $this->runWith(
            ['kind' => 'session'],
            'midi',
            ['address' => self::NET.'.1', 'port' => 5004],
            ['to' => []],
            '/controller/1/16',
            127,
        );
        [$control, $data] = [new Udp(self::NET.'.21', 5010), new Udp(self::NET.'.21', 5011)];
        $session = new Session('Test', 0x1234);
        $tell = function (Outcome $outcome) use ($control, $data): void {
            array_map(static fn(string $bytes) => $control->send($bytes, self::NET.'.1:5004'), $outcome->control);
            array_map(static fn(string $bytes) => $data->send($bytes, self::NET.'.1:5005'), $outcome->data);
        };
        $tell($session->invite(77, 0));
        $tell($session->arrived(false, (string) $control->receive(), 1));
        $tell($session->arrived(true, (string) $data->receive(), 2));
        self::assertSame([SessionState::Open, 'Nimble Junction: Port'], [$session->state(), $session->peerName()]);
        $tell($session->send(["\xB0\x10\x7F"], 3));
        $this->untilSlot(1, 255);
        $tell($session->send(["\xB0\x11\x7F"], 4));
        $midi = [];
        for ($i = 0; $i < 20 && $midi === []; ++$i) {
            $outcome = $session->arrived(true, (string) $data->receive(), 5 + $i);
            $tell($outcome);
            $midi = $outcome->midi;
        }
        self::assertSame(["\xB0\x10\x00"], $midi, 'and the fader is told');
        $tell($session->end());
        $control->close();
        $data->close();
    }

    public function testWeInviteToAMidiSession(): void
    {
        [$control, $data] = [new Udp(self::NET.'.22', 5006), new Udp(self::NET.'.22', 5007)];
        $this->runWith(
            ['kind' => 'session'],
            'midi',
            null,
            ['address' => self::NET.'.1', 'to' => [self::NET.'.22'], 'port' => 5006],
            '/controller/1/16',
            127,
            false,
        );
        $session = new Session('Test', 0x4321);
        for ($i = 0; $i < 40 && $session->state() !== SessionState::Open; ++$i) {
            foreach ([[false, $control], [true, $data]] as [$atData, $socket]) {
                $bytes = $socket->receive(0.3, $from);
                if ($bytes !== null) {
                    $outcome = $session->arrived($atData, $bytes, $i);
                    array_map(
                        static fn(string $answer) => $socket->send($answer, (string) $from),
                        $atData ? $outcome->data : $outcome->control,
                    );
                }
            }
        }
        self::assertSame(SessionState::Open, $session->state());
        self::assertSame('Nimble Junction: Port', $session->peerName());
        $control->close();
        $data->close();
    }

    /** What a pseudo-terminal allows: mode, bytes and pace. The break and the rate on a wire are not tested here. */
    public function testADmxLineAtASerialInterface(): void
    {
        $terminal = new PseudoTerminal();
        $document = EngineProcess::document(self::NET);
        $document['ports'][] = [
            'id' => 'serial',
            'name' => 'Serial',
            'protocol' => 'dmx-line',
            'link' => ['kind' => 'serial', 'device' => $terminal->path],
            'send' => ['carries' => [['number' => 1, 'universe' => 'palm']]],
        ];
        $this->engine = new EngineProcess($document, ['--for=170', "--state={$this->directory}"]);
        $desk = new Udp(self::NET.'.11');
        $desk->send((new Dmx(1, "\x11\x22\xFF".str_repeat("\x33", 509)))->encode(), self::NET.'.1:6454');
        $read = '';
        Background::until(function () use ($terminal, &$read): bool {
            $read .= $terminal->read();

            return \strlen($read) >= 513 * 20;
        }, 'twenty refreshes');
        self::assertSame(
            "\0\x11\x22\xFF".str_repeat("\x33", 509),
            substr($read, 0, 513),
            'start code and 512 slots, nothing added by the driver',
        );
        self::assertSame(substr($read, 0, 513), substr($read, 513 * 19, 513), 'refresh after refresh');
        $terminal->close();
        $desk->close();
        $this->engine->process()->isRunning() || self::fail('the engine did not outlive its adapter');
    }

    /**
     * One port of this kind, whose messages set slot 1 of a universe that leaves by a line; "turn" moves the slot too.
     *
     * @param array<string, string> $link
     * @param array<string, mixed>|null $receive
     * @param array<string, mixed>|null $send
     */
    private function runWith(
        array $link,
        string $protocol,
        ?array $receive,
        ?array $send,
        string $address,
        int $high,
        bool $in = true,
    ): void {
        $document = EngineProcess::document(self::NET);
        $document['ports'][] = [
            'id' => 'port',
            'name' => 'Port',
            'protocol' => $protocol,
            'link' => $link,
            ...array_filter(['receive' => $receive, 'send' => $send], static fn(?array $side): bool => $side !== null),
        ];
        $route = static fn(string $id, string $way, string $from, int $slotHigh): array => [
            'id' => $id,
            'name' => $id,
            $way => ['kind' => 'message', 'port' => 'port', 'address' => $from, 'low' => 0, 'high' => $high],
            $way === 'from' ? 'to' : 'from' => [
                'kind' => 'slot',
                'universe' => 'palm',
                'slot' => 1,
                'low' => $slotHigh === 0 ? 255 : 0,
                'high' => $slotHigh,
            ],
        ];
        $document['routes'] = [];
        if ($in) {
            $document['routes'][] = $route('in', 'from', $address, 255);
            // Moves the same slot by another message, so that there is something to tell the first one: OSC up, MIDI down.
            $document['routes'][] = $route(
                'turn',
                'from',
                $protocol === 'osc' ? '/turn' : '/controller/1/17',
                str_contains((string) ($link['kind'] ?? ''), 'session') ? 0 : 255,
            );
        }
        if ($send !== null) {
            $document['routes'][] = $route('out', 'to', $address, 255);
        }
        $this->engine = new EngineProcess($document, ['--for=170', "--state={$this->directory}"]);
    }

    private function untilSlot(int $slot, int $level, string $why = ''): void
    {
        $bytes = $this->line->until(static fn(string $line): bool => \ord($line[$slot]) === $level);
        self::assertSame($level, \ord($bytes[$slot]), $why);
    }

    /**
     * @param resource $stream
     */
    private function untilRead($stream, callable $enough, callable $first): string
    {
        stream_set_blocking($stream, false);
        $first();
        $read = '';
        Background::until(static function () use ($stream, $enough, &$read): bool {
            $read .= (string) @fread($stream, 8192);

            return $enough($read);
        }, 'enough on the stream');

        return $read;
    }
}
