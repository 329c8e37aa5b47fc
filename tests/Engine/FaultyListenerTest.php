<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Engine\Health\FaultLog;
use NimbleJunction\Engine\Health\Warnings;
use NimbleJunction\Engine\Net\Listener;
use NimbleJunction\Engine\Net\UdpSocket;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\Udp;
use PHPUnit\Framework\TestCase;
use Revolt\EventLoop;

/** A fault of ours in a transport: it is noted, and the loop, the socket and the next datagram go on. */
final class FaultyListenerTest extends TestCase
{
    public function testAFaultWithOneDatagramKeepsNothingFromTheNext(): void
    {
        $warnings = new Warnings(static function (): void {
        });
        $faults = new FaultLog('', $warnings);
        EventLoop::setErrorHandler(static fn(\Throwable $fault) => $faults->note('reading a port', $fault));
        $heard = [];
        $listener = new Listener(UdpSocket::bind('127.78.20.9', 7009), 2048, static function (string $bytes) use (&$heard): void {
            if ($bytes === 'poison') {
                throw new \TypeError('cannot be swallowed');
            }
            $heard[] = $bytes;
        }, static function (): void {
        });
        $sender = new Udp('127.78.20.10');
        try {
            foreach (['one', 'poison', 'two', 'poison', 'three'] as $bytes) {
                $sender->send($bytes, '127.78.20.9:7009');
            }
            for ($end = microtime(true) + Background::PATIENCE; \count($heard) < 3 || $faults->count < 2;) {
                self::assertLessThan($end, microtime(true), 'it did not happen in time');
                $suspension = EventLoop::getSuspension();
                EventLoop::delay(0.002, static fn() => $suspension->resume());
                $suspension->suspend();
            }
            self::assertSame(['one', 'two', 'three'], $heard);
            self::assertStringContainsString(
                '2 faults in the program itself, the newest while reading a port: cannot be swallowed',
                $warnings->all()[0]['words'],
            );
        } finally {
            $listener->close();
            $sender->close();
            EventLoop::setErrorHandler(null);
        }
    }
}
