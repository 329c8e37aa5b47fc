<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

use NimbleJunction\StandIn\Device;
use NimbleJunction\StandIn\Rack;
use Revolt\EventLoop;

/** Lets stand-ins play in the loop of the test's own process. */
trait Looping
{
    private function playing(Device|Rack $device, callable $test): void
    {
        $device->start();
        try {
            $test();
        } finally {
            $device->stop();
        }
    }

    /** Lets the loop run until something has happened. */
    private function until(callable $happened): void
    {
        for ($end = microtime(true) + Background::PATIENCE; ! $happened();) {
            self::assertLessThan($end, microtime(true), 'it did not happen in time');
            $this->turn();
        }
        $this->addToAssertionCount(1);
    }

    private function next(Udp $socket, float $seconds): ?string
    {
        for ($end = microtime(true) + $seconds; microtime(true) < $end;) {
            $this->turn();
            $bytes = $socket->receive(0.0);
            if ($bytes !== null) {
                return $bytes;
            }
        }

        return null;
    }

    private function decoded(Udp $socket, callable $decode, callable $fits): mixed
    {
        for ($end = microtime(true) + Background::PATIENCE; microtime(true) < $end;) {
            $bytes = $this->next($socket, 1.0);
            $packet = $bytes === null ? null : $decode($bytes);
            if ($fits($packet)) {
                return $packet;
            }
        }

        return null;
    }

    private function turn(): void
    {
        $suspension = EventLoop::getSuspension();
        EventLoop::delay(0.005, $suspension->resume(...));
        $suspension->suspend();
    }
}
