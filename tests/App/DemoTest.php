<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\DemoStack;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** The demo as bin/demo starts it: what it says when it cannot, and that it leaves nothing behind. */
final class DemoTest extends TestCase
{
    public function testItNamesAPortInUseEndsEverythingWhenToldAndStartsAgain(): void
    {
        $demo = new DemoStack('127.74.0');
        try {
            $second = new Process(['bin/demo', "--port={$demo->port}"], Background::root(), $demo->environment(), null, 180);
            self::assertSame(1, $second->run());
            self::assertStringContainsString(
                "TCP port {$demo->port} at 127.0.0.1, wanted for the web page, cannot be used",
                $second->getOutput(),
            );
            self::assertStringContainsString('choose another with --port', $second->getOutput());
            self::assertGreaterThanOrEqual(4, \count($this->processesOf($demo)));
            $demo->signal(SIGTERM);
            $this->assertNothingIsLeft($demo);
            $again = new Background(['bin/demo', "--port={$demo->port}"], $demo->environment());
            $again->untilSaid('Open http://');
            self::assertStringContainsString('password night-walk', $again->output());
            $again->signal(SIGINT);
            $this->assertNothingIsLeft($demo);
        } finally {
            $demo->stop();
        }
    }

    public function testWrongOptionsAreNamed(): void
    {
        $process = new Process(['bin/demo', '--speed=9'], Background::root());
        self::assertSame(2, $process->run());
        self::assertStringContainsString('does not know "--speed=9"', $process->getErrorOutput());
        $process = new Process([PHP_BINARY, 'artisan', 'junction:demo', '--port=80'], Background::root());
        self::assertSame(2, $process->run());
        self::assertStringContainsString('use 1024 to 65533', $process->getOutput());
    }

    private function assertNothingIsLeft(DemoStack $demo): void
    {
        Background::until(fn(): bool => $this->processesOf($demo) === [], 'Every process ending');
        $this->addToAssertionCount(1);
    }

    /** @return list<int> processes that run with this demo's data folder */
    private function processesOf(DemoStack $demo): array
    {
        $pids = [];
        foreach (glob('/proc/[0-9]*/environ') ?: [] as $file) {
            if (str_contains((string) @file_get_contents($file), "JUNCTION_DATA={$demo->data}")) {
                $pids[] = (int) basename(\dirname($file));
            }
        }

        return $pids;
    }
}
