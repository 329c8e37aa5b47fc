<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\Packet as ArtNet;
use NimbleJunction\Core\Wire\ArtNet\Poll;
use NimbleJunction\Core\Wire\ArtNet\PollReply;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Core\Wire\Osc\Packet as Osc;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Core\Wire\Sacn\Packet as Sacn;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\Rig;
use NimbleJunction\Tests\Support\Udp;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** The engine as a process of its own, with real UDP on loopback addresses. */
final class RealPacketsTest extends TestCase
{
    public function testFromAFileAloneOneUniverseLeavesThroughSeveralOutputsAndTheTabletIsTold(): void
    {
        $engine = new EngineProcess(EngineProcess::document('127.78.1'));
        [$line, $net, $art, $tablet] = [
            new Udp('127.78.1.2', 5120),
            new Udp('127.78.1.3', 5568),
            new Udp('127.78.1.4', 6454),
            new Udp('127.78.1.5', 9000),
        ];
        $desk = new Udp('127.78.1.11', 6454);
        try {
            $desk->send((new Dmx(1, Rig::levels([1 => 200, 5 => 51])))->encode(), '127.78.1.1:6454');
            self::assertSame("\0\xC8", substr($line->until(static fn(string $bytes): bool => $bytes[1] === "\xC8"), 0, 2));
            $sacn = Sacn::decode($net->until(static fn(string $bytes): bool => $bytes[126] === "\xC8"));
            self::assertInstanceOf(Data::class, $sacn);
            self::assertSame([7, 100], [$sacn->universe, $sacn->priority]);
            $dmx = ArtNet::decode($art->until(static fn(string $bytes): bool => $bytes[18] === "\xC8"));
            self::assertInstanceOf(Dmx::class, $dmx);
            self::assertSame(3, $dmx->portAddress);
            $told = Osc::decode(
                $tablet->until(
                    static fn(string $bytes): bool => abs((float) Osc::decode($bytes)[0]->arguments[0]->value - 0.2) < 1e-6,
                ),
            );
            self::assertSame('/lamp', $told[0]->address);
            $tablet->send((new Message('/lamp', [Argument::float(1.0)]))->encode(), '127.78.1.1:8000');
            self::assertSame("\xC8", $line->until(static fn(string $bytes): bool => $bytes[5] === "\xFF")[1]);
            $desk->send((new Poll())->encode(), '127.78.1.1:6454');
            self::assertInstanceOf(PollReply::class, ArtNet::decode((string) $desk->receive()));
        } finally {
            array_map(static fn(Udp $socket) => $socket->close(), [$line, $net, $art, $tablet, $desk]);
            $engine->stop();
        }
    }

    public function testAPortThatARouteSwitchesLetsItsSocketGoAndTakesItAgain(): void
    {
        $document = EngineProcess::document('127.78.3');
        $document['routes'][] = [
            'id' => 'main',
            'name' => 'Main on',
            'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/main'],
            'do' => [['kind' => 'set', 'point' => 'port:desk/enabled']],
        ];
        $engine = new EngineProcess($document);
        [$line, $tablet, $desk] = [new Udp('127.78.3.2', 5120), new Udp('127.78.3.5', 9000), new Udp('127.78.3.11', 6454)];
        $main = static fn(float $value) => $tablet->send(
            (new Message('/main', [Argument::float($value)]))->encode(),
            '127.78.3.1:8000',
        );
        try {
            $desk->send((new Dmx(1, Rig::levels([1 => 200])))->encode(), '127.78.3.1:6454');
            $line->until(static fn(string $bytes): bool => $bytes[1] === "\xC8");
            $main(0.0);
            $taken = Background::until(
                static fn(): mixed => @stream_socket_server('udp://127.78.3.1:6454', $number, $words, \STREAM_SERVER_BIND),
                'The socket let go',
            );
            fclose($taken);
            self::assertSame("\xC8", $line->until(static fn(string $bytes): bool => true)[1], 'what was there stays');
            $main(1.0);
            Background::until(static function () use ($desk, $line): bool {
                $desk->send((new Dmx(1, Rig::levels([1 => 7])))->encode(), '127.78.3.1:6454');

                return ($line->receive(0.1)[1] ?? '') === "\x07";
            }, 'The desk heard again');
            $this->addToAssertionCount(1);
        } finally {
            array_map(static fn(Udp $socket) => $socket->close(), [$line, $tablet, $desk]);
            $engine->stop();
        }
    }

    public function testStopsByItselfAfterTheTimeGiven(): void
    {
        $began = microtime(true);
        $engine = new EngineProcess(EngineProcess::document('127.78.2'), ['--for=0.5']);
        Background::until(static fn(): bool => ! $engine->process()->isRunning(), 'The engine ending');
        self::assertLessThan(8, microtime(true) - $began);
        self::assertSame(0, $engine->stop());
    }

    public function testAWrongShowIsRefusedWithPathAndRange(): void
    {
        $document = EngineProcess::document('127.78.2');
        $document['ports'][0]['receive']['feeds'][0]['number'] = 99999;
        $engine = new EngineProcess($document, wait: false);
        $engine->process()->untilSaid('/ports/0/receive/feeds/0/number: it is 99999. Use a whole number from 0 to 32767.');
        Background::until(static fn(): bool => ! $engine->process()->isRunning(), 'The engine ending by itself');
        self::assertNotSame(0, $engine->stop());
    }

    public function testAPortInUseIsNamedAndTakenWhenItIsFree(): void
    {
        // In a process of its own: a child would inherit a socket of ours, and the port would stay in use.
        $other = new Background(
            [
                PHP_BINARY,
                '-r',
                '$s = stream_socket_server("udp://127.78.3.1:6454", $c, $m, STREAM_SERVER_BIND); echo "taken"; sleep(30);',
            ],
        );
        $other->untilSaid('taken');
        $engine = new EngineProcess(EngineProcess::document('127.78.3'));
        $net = new Udp('127.78.3.3', 5568);
        $desk = new Udp('127.78.3.11', 6454);
        try {
            $engine->process()->untilSaid('Desk: UDP port 6454 at 127.78.3.1 is in use by php');
            $guest = new Udp('127.78.3.12', 5568);
            $guest->send((new Data('guest-----------', 1, Rig::levels([1 => 9])))->encode(), '127.78.3.1:5568');
            $net->until(static fn(string $bytes): bool => $bytes[126] === "\x09");
            $other->stop();
            Background::until(static function () use ($desk, $net): bool {
                $desk->send((new Dmx(1, Rig::levels([1 => 77])))->encode(), '127.78.3.1:6454');

                return ($net->receive(0.1) ?? str_repeat("\0", 200))[126] === "\x4D";
            }, 'The port being taken', 8);
            self::assertTrue($engine->process()->isRunning());
            $guest->close();
        } finally {
            array_map(static fn(Udp $socket) => $socket->close(), [$net, $desk]);
            $engine->stop();
        }
    }

    /**
     * Rubbish on the Art-Net port as fast as one process can send, while what sACN brings still comes through; how fast,
     * the bench measures.
     */
    public function testAFloodOnOnePortStopsNothingOnAnother(): void
    {
        $engine = new EngineProcess(EngineProcess::document('127.78.4'));
        $guest = new Udp('127.78.4.12', 5568);
        $net = new Udp('127.78.4.3', 5568);
        $flood = new Background(
            [
                PHP_BINARY,
                '-r',
                '$s = stream_socket_client("udp://127.78.4.1:6454"); for ($i = 0, $end = microtime(true) + 120; $i < 20000000 && microtime(true) < $end; ++$i) { fwrite($s, "rubbish $i"); }',
            ],
        );
        try {
            for ($level = 1; $level <= 60; ++$level) {
                $guest->send((new Data('guest-----------', 2, Rig::levels([1 => $level]), $level))->encode(), '127.78.4.1:5568');
                $net->until(static fn(string $bytes): bool => \ord($bytes[114]) === 8 && \ord($bytes[126]) === $level);
            }
            self::assertTrue($flood->isRunning(), 'it was flooded all the time');
        } finally {
            $flood->stop();
            array_map(static fn(Udp $socket) => $socket->close(), [$net, $guest]);
            $engine->stop();
        }
    }
}
