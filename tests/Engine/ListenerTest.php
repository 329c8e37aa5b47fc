<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Engine\Net\CannotListen;
use NimbleJunction\Engine\Net\Listener;
use NimbleJunction\Engine\Net\UdpSocket;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\Udp;
use PHPUnit\Framework\TestCase;
use Revolt\EventLoop;

/** A quiet port answers at once, a crowded one in batches; nothing is lost or put out of order by either. */
final class ListenerTest extends TestCase
{
    private const ADDRESS = '127.78.20.1';

    /** @var list<string> */
    private array $heard = [];
    private int $looks = 0;

    public function testAQuietPortIsReadWhenSomethingComes(): void
    {
        $listener = $this->listener(7001);
        $sender = new Udp('127.78.20.2');
        $sender->send('one', self::ADDRESS.':7001');
        $this->until(fn(): bool => $this->heard === ['one']);
        self::assertFalse($listener->isPaced());
        self::assertSame(1, $this->looks);
        $this->turn(0.02);
        self::assertSame(1, $this->looks, 'and not looked at when nothing comes');
        $listener->close();
        $sender->close();
    }

    public function testACrowdedPortIsPacedKeepsItsOrderAndCalmsDown(): void
    {
        $listener = $this->listener(7002);
        $sender = new Udp('127.78.20.3');
        $expected = [];
        for ($i = 0; ! $listener->isPaced() || $i < 2000; ++$i) {
            self::assertLessThan(20000, $i, 'it should be paced by now');
            $expected[] = "datagram {$i}";
            $sender->send("datagram {$i}", self::ADDRESS.':7002');
            if ($i % 20 === 0) {
                $this->turn(0.001);
            }
        }
        $this->until(fn(): bool => \count($this->heard) === $i);
        self::assertSame($expected, $this->heard);
        // Only a look finds out that it is quiet: calming down shows that it is looked at though nothing comes.
        $this->until(static fn(): bool => ! $listener->isPaced());
        $sender->send('after', self::ADDRESS.':7002');
        $this->until(fn(): bool => end($this->heard) === 'after');
        $listener->close();
        $sender->close();
    }

    public function testWhenClosedItHearsNoMoreAndThePortIsFree(): void
    {
        $listener = $this->listener(7003);
        try {
            UdpSocket::bind(self::ADDRESS, 7003);
            self::fail('two at one port');
        } catch (CannotListen $cannot) {
            self::assertStringContainsString('UDP port 7003 at 127.78.20.1 is in use by php', $cannot->getMessage());
        }
        $listener->close();
        UdpSocket::bind(self::ADDRESS, 7003)->close();
        $this->expectException(CannotListen::class);
        $this->expectExceptionMessage('is not an address of this machine');
        UdpSocket::bind('192.0.2.77', 7003);
    }

    private function listener(int $port): Listener
    {
        return new Listener(
            UdpSocket::bind(self::ADDRESS, $port),
            2048,
            function (string $bytes): void {
                $this->heard[] = $bytes;
            },
            function (): void {
                ++$this->looks;
            },
        );
    }

    private function until(callable $happened): void
    {
        for ($end = microtime(true) + Background::PATIENCE; ! $happened();) {
            self::assertLessThan($end, microtime(true), 'it did not happen in time');
            $this->turn(0.002);
        }
        $this->addToAssertionCount(1);
    }

    private function turn(float $seconds): void
    {
        $suspension = EventLoop::getSuspension();
        EventLoop::delay($seconds, static fn() => $suspension->resume());
        $suspension->suspend();
    }
}
