<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Engine\Health\Warnings;
use NimbleJunction\Engine\LiveLink\Gate;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\LiveLink\Token;
use NimbleJunction\Engine\LiveLink\WebSocket\Handshake;
use NimbleJunction\Engine\StateFile;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\Rig;
use NimbleJunction\Tests\Support\Udp;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** Who may come in, what is kept, and that a killed engine goes on where it was. */
final class DoorsTest extends TestCase
{
    private const SECRET = 'a secret';
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/junction-doors-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        (new Process(['rm', '-rf', $this->folder]))->mustRun();
    }

    public function testATokenSaysWhoItIsForAMinute(): void
    {
        $token = Token::sign('anna', Role::Operator, self::SECRET, 1000);
        $read = Token::verify($token, self::SECRET, 1060);
        self::assertSame(['anna', Role::Operator, 1060, 1000], [$read?->user, $read?->role, $read?->until, $read?->signedAt()]);
        self::assertNotSame($token, Token::sign('anna', Role::Operator, self::SECRET, 1000), 'each is another one');
        self::assertNull(Token::verify($token, self::SECRET, 1061), 'too old');
        self::assertNull(Token::verify($token, 'another', 1000), 'signed by somebody else');
        self::assertNull(Token::verify(substr_replace($token, 'x', 3, 1), self::SECRET, 1000), 'changed');
        self::assertNull(Token::verify('', self::SECRET, 1000));
        self::assertNull(Token::verify('rubbish.rubbish', self::SECRET, 1000));
    }

    /** @return iterable<string, array{string, string, list<string>, bool}> origin, host, others allowed, let in */
    public static function origins(): iterable
    {
        yield 'the same host, another port' => ['http://junction.example', 'junction.example:8081', [], true];
        yield 'another host' => ['http://evil.example', 'junction.example:8081', [], false];
        yield 'another host that is named' => ['https://desk.example', 'junction.example:8081', ['https://desk.example'], true];
        yield 'written in capitals' => ['https://Desk.example', 'junction.example:8081', ['https://desk.example'], true];
        yield 'by its address' => ['https://10.1.2.3:8443', '10.1.2.3:8443', [], true];
        yield 'by its address, of the newer kind' => ['https://[fd00::1]', '[fd00::1]', [], true];
        yield 'no origin' => ['', 'junction.example:8081', [], false];
        yield 'a host that only begins alike' => ['http://junction.example.evil', 'junction.example:8081', [], false];
    }

    /** @param list<string> $others */
    #[DataProvider('origins')]
    public function testOnlyOurOwnPagesComeIn(string $origin, string $host, array $others, bool $isLetIn): void
    {
        $token = Token::sign('anna', Role::Viewer, self::SECRET, 1000);
        $handshake = Handshake::read(
            "GET /?token={$token} HTTP/1.1\r\nHost: {$host}\r\nOrigin: {$origin}\r\nUpgrade: websocket\r\nConnection: Upgrade\r\nSec-WebSocket-Key: "
                .base64_encode(str_repeat('k', 16))."\r\nSec-WebSocket-Version: 13",
        );
        self::assertNotNull($handshake);
        $asProtocol = Handshake::read(
            "GET /live HTTP/1.1\r\nHost: {$host}\r\nOrigin: {$origin}\r\nUpgrade: websocket\r\nConnection: Upgrade\r\nSec-WebSocket-Protocol: junction, {$token}\r\nSec-WebSocket-Key: ".base64_encode(str_repeat('k', 16))."\r\nSec-WebSocket-Version: 13",
        );
        self::assertSame($isLetIn, $asProtocol !== null && (new Gate(self::SECRET, $others))->admit($asProtocol, 1000) !== null);
        self::assertStringContainsString(
            "Sec-WebSocket-Protocol: junction\r\n",
            (string) $asProtocol?->accept(),
            'the one of those offered that is no secret',
        );
        self::assertStringNotContainsString('-Protocol', $handshake->accept());
        self::assertSame($isLetIn, (new Gate(self::SECRET, $others))->admit($handshake, 1000) !== null);
    }

    public function testTheStateFileIsWholeOrTheOneBefore(): void
    {
        $read = fn(): array => (new StateFile("{$this->folder}/state"))->read()['state'];
        $file = new StateFile("{$this->folder}/state");
        self::assertSame([], $read());
        $file->write(['universes' => ['palm' => 1]]);
        self::assertSame(['universes' => ['palm' => 1]], $read());
        self::assertSame(['state'], array_map(basename(...), glob("{$this->folder}/*") ?: []), 'nothing half-written is left');
        $file->write(['universes' => ['palm' => 2]]);
        self::assertSame(['universes' => ['palm' => 2]], $read());
        file_put_contents("{$this->folder}/state", substr((string) file_get_contents("{$this->folder}/state"), 0, -3));
        $said = [];
        $warnings = new Warnings(static function (string $words) use (&$said): void {
            $said[] = $words;
        });
        self::assertSame(
            ['universes' => ['palm' => 1]],
            (new StateFile("{$this->folder}/state", $warnings))->read()['state'],
            'one that was cut is told from a whole one, and the older one is used',
        );
        self::assertStringContainsString('is broken: it was set aside as state.broken-', $said[0]);
        self::assertCount(1, glob("{$this->folder}/state.broken-*") ?: []);
        file_put_contents("{$this->folder}/state", '{"universes": {');
        file_put_contents("{$this->folder}/state.older", 'rubbish');
        self::assertSame([], $read(), 'rubbish is no state');
        (new StateFile('/nowhere/state', $warnings))->write(['a' => 1]);
        self::assertStringContainsString('/nowhere cannot be written. Is the disk full?', $warnings->all()[1]['words']);
    }

    /** The levels of before leave again at once, though no source is there. */
    public function testAKilledEngineGoesOnWithItsLevels(): void
    {
        $start = fn(): EngineProcess => new EngineProcess(EngineProcess::document('127.78.21'), ['--for=170', "--state={$this->folder}"]);
        $line = new Udp('127.78.21.2', 5120);
        $desk = new Udp('127.78.21.11', 6454);
        $engine = $start();
        try {
            $desk->send((new Dmx(1, Rig::levels([1 => 201, 2 => 55])))->encode(), '127.78.21.1:6454');
            $line->until(static fn(string $bytes): bool => substr($bytes, 1, 2) === "\xC9\x37");
            Background::until(
                fn(): bool => str_contains((string) @file_get_contents("{$this->folder}/engine-state"), base64_encode("\xC9\x37\0")),
                'The state being kept',
            );
            $engine->process()->signal(SIGKILL);
            Background::until(static fn(): bool => ! $engine->process()->isRunning(), 'The engine being dead');
            $line->collect(0.05);
            $again = $start();
            $first = (string) $line->receive(3.0);
            self::assertSame("\xC9\x37", substr($first, 1, 2), 'the very first refresh has them');
            $again->stop();
        } finally {
            $engine->stop();
            $line->close();
            $desk->close();
        }
    }

    public function testTheControlSocketAdoptsAShowAndRefusesAWrongOne(): void
    {
        $engine = new EngineProcess(EngineProcess::document('127.78.22'), ['--for=170', "--state={$this->folder}"]);
        try {
            self::assertSame('0600', substr(sprintf('%o', fileperms("{$this->folder}/engine.sock")), -4), 'nobody else may open it');
            self::assertSame(
                ['ok' => true],
                $this->tell(
                    ['do' => 'adopt', 'document' => json_encode([...EngineProcess::document('127.78.22'), 'name' => 'Changed'])],
                ),
            );
            $refused = $this->tell(
                ['do' => 'adopt', 'document' => '{"format": "nimble-junction/show", "version": 1, "name": ""}'],
            );
            self::assertFalse($refused['ok']);
            self::assertStringContainsString('/name: it is "". A text of 1 to 120 characters is needed.', $refused['error']);
            self::assertSame(
                'The command is not known. Known is: adopt, with a document.',
                $this->tell(['do' => 'dance'])['error'],
            );
            self::assertTrue($engine->process()->isRunning());
        } finally {
            $engine->stop();
        }
    }

    /**
     * @param array<string, mixed> $command
     *
     * @return array<string, mixed>
     */
    private function tell(array $command): array
    {
        $socket = stream_socket_client("unix://{$this->folder}/engine.sock");
        fwrite($socket, json_encode($command, JSON_THROW_ON_ERROR)."\n");
        $answer = json_decode((string) fgets($socket), true, flags: JSON_THROW_ON_ERROR);
        fclose($socket);

        return $answer;
    }
}
