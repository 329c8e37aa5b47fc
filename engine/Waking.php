<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use Revolt\EventLoop;

/** The one timer at which the junction goes on by itself. */
final class Waking
{
    /** Waking more often than this gains nothing that a lamp could show. */
    private const STEP = 1_000_000;

    /** Whatever is late already: it does not wake without a pause. */
    private const LEAST = 100_000;

    private ?string $timer = null;
    private int $at = \PHP_INT_MAX;

    /** @param \Closure(): void $wake */
    public function __construct(private readonly \Closure $wake)
    {
    }

    /**
     * In whole steps: what is due a moment earlier than the timer set already needs no other one. What has a moment of its own,
     * like a cue on a timeline or a quarter frame, is waited for exactly.
     *
     * @param int $due on the engine's clock; PHP_INT_MAX for never
     * @param int $exact when something is due that has to leave at that very moment
     * @param bool $isPaced whether somebody looks by themselves before long: then the exact alone is waited for
     */
    public function set(int $due, int $exact, bool $isPaced): void
    {
        $now = Engine::now();
        $step = $isPaced || $due === \PHP_INT_MAX ? \PHP_INT_MAX : intdiv(max($due, $now), self::STEP) * self::STEP + self::STEP;
        $next = min($step, max($exact, $now + self::LEAST));
        if ($next >= $this->at) {
            return;
        }
        EventLoop::cancel($this->timer ?? '');
        $this->at = $next;
        $this->timer = EventLoop::delay(max(0, $next - $now) / 1e9, $this->goOn(...));
    }

    public function stop(): void
    {
        EventLoop::cancel($this->timer ?? '');
        $this->timer = null;
        $this->at = \PHP_INT_MAX;
    }

    private function goOn(): void
    {
        $this->timer = null;
        $this->at = \PHP_INT_MAX;
        ($this->wake)();
    }
}
