<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Plan\UniverseExit;
use NimbleJunction\Core\Trace\Event;

/** One way out of a universe, at work: what it sent last and when it is due again. */
final class Output
{
    /** As often as sACN's keep-alive (ANSI E1.31-2018, 6.6.1, by analogy; from memory). */
    private const BESIDE_NANOS = 900_000_000;

    /** When the next frame is due; PHP_INT_MAX while there is nothing to send. */
    public int $dueAt = \PHP_INT_MAX;

    private string $sent = '';
    private int $sentAt = -1_000_000_000_000;
    private int $repeats = 0;
    private int $sequence = 0;
    private int $besideAt = -1_000_000_000_000;

    /** @var list<Event> whose result leaves with the next frame */
    private array $awaiting = [];

    public function __construct(public UniverseExit $exit)
    {
    }

    /** The universe has these levels now: a change is due as soon as the cadence lets it. */
    public function offer(string $levels, int $now): int
    {
        if ($levels !== $this->sent) {
            $this->dueAt = max($now, $this->sentAt + $this->exit->cadence->gap);
        }

        return $this->dueAt;
    }

    /** The number that the next frame carries; only its last 8 bits are sent. */
    public function sequence(): int
    {
        return $this->sequence & 255;
    }

    /** Goes on with this number: whoever counts drops what seems to be older (ANSI E1.31-2018, 6.7.2). */
    public function goOnFrom(int $sequence): void
    {
        $this->sequence = $sequence;
    }

    /** @return list<string> what tells an other end that nothing more comes to it; the output itself goes on */
    public function farewell(): array
    {
        if ($this->dueAt === \PHP_INT_MAX || $this->sent === '') {
            return [];
        }
        $ends = $this->exit->sender->end($this->sent, $this->sequence);
        $this->sequence += \count($ends);

        return $ends;
    }

    public function await(Event $event): void
    {
        if (\count($this->awaiting) < 8 && ! \in_array($event, $this->awaiting, true)) {
            $this->awaiting[] = $event;
        }
    }

    /** @return list<Event> */
    public function awaited(): array
    {
        $awaiting = $this->awaiting;
        $this->awaiting = [];

        return $awaiting;
    }

    /**
     * The bytes of the next frame, and of what is sent beside it; sets when the one after it is due.
     *
     * @return non-empty-list<string>
     */
    public function next(string $levels, int $now): array
    {
        $cadence = $this->exit->cadence;
        $this->repeats = $levels === $this->sent ? max(0, $this->repeats - 1) : max(0, $cadence->repeats - 1);
        $this->sent = $levels;
        $this->sentAt = $now;
        $this->dueAt = $now + ($this->repeats > 0 ? $cadence->gap : $cadence->idle);

        $beside = $now - $this->besideAt < self::BESIDE_NANOS ? null : $this->exit->sender->beside($this->sequence);
        if ($beside === null) {
            return [$this->exit->sender->send($levels, $this->sequence++)];
        }
        $this->besideAt = $now;
        ++$this->sequence;

        // Priorities first: whoever hears us for the first time does not take the levels before it knows them.
        return [$beside, $this->exit->sender->send($levels, $this->sequence++)];
    }

    /**
     * Stops, until levels are offered again.
     *
     * @return list<string> what says so to the other end; nothing when it had stopped before
     */
    public function end(): array
    {
        $ends = $this->farewell();
        $this->dueAt = \PHP_INT_MAX;
        $this->sent = '';

        return $ends;
    }
}
