<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\Waking;
use PHPUnit\Framework\TestCase;
use Revolt\EventLoop;

/**
 * The timer of the junction: in steps for what may wait a moment, exactly for what may not, and for that alone where others look
 * anyway.
 */
final class WakingTest extends TestCase
{
    private const NEVER = \PHP_INT_MAX;
    private const MILLI = 1_000_000;

    /** @var list<int> when it woke */
    private array $woken = [];

    public function testWhatIsExactIsWaitedForExactlyAndNeverComesEarly(): void
    {
        $waking = new Waking($this->note(...));
        $exact = Engine::now() + 7 * self::MILLI + 340_000;
        $waking->set($exact + 900 * self::MILLI, $exact, false);
        $this->wait(0.05);
        self::assertCount(1, $this->woken);
        self::assertGreaterThanOrEqual($exact - 50_000, $this->woken[0]);
        self::assertLessThan($exact + 900 * self::MILLI, $this->woken[0]);
    }

    public function testWhatMayWaitIsWaitedForInStepsAndTheEarlierOneCounts(): void
    {
        $waking = new Waking($this->note(...));
        $now = Engine::now();
        $waking->set($now + 500 * self::MILLI, self::NEVER, false);
        $waking->set($now + 5 * self::MILLI, self::NEVER, false);
        $waking->set($now + 900 * self::MILLI, self::NEVER, false);
        $this->wait(0.1);
        self::assertCount(1, $this->woken, 'once, at the earliest');
        self::assertGreaterThanOrEqual($now + 5 * self::MILLI - 50_000, $this->woken[0]);
    }

    public function testWhereOthersLookAnywayOnlyTheExactIsWaitedFor(): void
    {
        $waking = new Waking($this->note(...));
        $waking->set(Engine::now() + self::MILLI, self::NEVER, true);
        $this->wait(0.05);
        self::assertSame([], $this->woken);
        $waking->set(Engine::now() + self::MILLI, Engine::now() + 2 * self::MILLI, true);
        $this->wait(0.05);
        self::assertCount(1, $this->woken);
        $waking->set(self::NEVER, Engine::now() + 2 * self::MILLI, true);
        $waking->stop();
        $this->wait(0.05);
        self::assertCount(1, $this->woken, 'stopped it does not wake');
    }

    private function note(): void
    {
        $this->woken[] = Engine::now();
    }

    private function wait(float $seconds): void
    {
        $suspension = EventLoop::getSuspension();
        EventLoop::delay($seconds, static fn() => $suspension->resume());
        $suspension->suspend();
    }
}
