<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Health;

use Revolt\EventLoop;

/** How late the loop wakes: the longest that anything had to wait for anything else. */
final class LoopLag
{
    private const EVERY_SECONDS = 0.1;
    private const WINDOW_SECONDS = 60;

    /** @var array<int, int> nanoseconds, by second */
    private array $worst = [];
    private int $dueAt = 0;

    public function start(): void
    {
        $this->dueAt = (int) hrtime(true) + (int) (self::EVERY_SECONDS * 1e9);
        EventLoop::unreference(EventLoop::repeat(self::EVERY_SECONDS, function (): void {
            $now = (int) hrtime(true);
            $this->note(max(0, $now - $this->dueAt), intdiv($now, 1_000_000_000));
            $this->dueAt = $now + (int) (self::EVERY_SECONDS * 1e9);
        }));
    }

    public function note(int $nanos, int $second): void
    {
        if (! isset($this->worst[$second])) {
            $this->worst = array_filter(
                $this->worst,
                static fn(int $at): bool => $at > $second - self::WINDOW_SECONDS,
                \ARRAY_FILTER_USE_KEY,
            );
        }
        $this->worst[$second] = max($nanos, $this->worst[$second] ?? 0);
    }

    /** @return int nanoseconds, the worst of the last minute */
    public function worst(): int
    {
        return $this->worst === [] ? 0 : max($this->worst);
    }
}
