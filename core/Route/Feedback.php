<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\State\Stored;

/**
 * What the other end of one slot-to-message route shows now, and when it may
 * be told something else. One rule keeps echoes, fights with the hand on the
 * fader and endless loops away: a level is sent only if the other end shows a
 * different one, and never while a hand is moving there.
 */
final class Feedback
{
    /** Time without a message from the other end after which no hand is on it. Our own choice. */
    public const HAND_RESTS_NANOS = 300_000_000;

    /** Shortest time between two messages of one route. Our own choice: 40 a second. */
    public const GAP_NANOS = 25_000_000;

    /** Rises with every change of what the other end shows. */
    public int $changes = 0;

    private ?int $shown = null;
    private ?int $heardAt = null;
    private ?int $sentAt = null;

    public function __construct(public readonly SlotToMessage $route)
    {
    }

    /** The same state for a changed route; what is shown at another address or in another range is not known. */
    public function carryOver(SlotToMessage $route): self
    {
        $next = new self($route);
        if ($this->where() === $next->where()) {
            $next->shown = $this->shown;
            $next->heardAt = $this->heardAt;
            $next->sentAt = $this->sentAt;
        }

        return $next;
    }

    /** @return array<string, mixed> for restore(), ready for JSON */
    public function kept(): array
    {
        return ['shown' => $this->shown, 'where' => $this->where()];
    }

    /** The other end shows what it showed before a restart, if it is still the same one. */
    public function restore(Stored $stored): void
    {
        if ($stored->text('where') === $this->where()) {
            $this->shown = $stored->whole('shown', 0, 255);
        }
    }

    private function show(?int $level): void
    {
        $this->changes += (int) ($level !== $this->shown);
        $this->shown = $level;
    }

    /** What the other end's picture hangs on: a route that sends elsewhere, or in another range, begins anew. */
    private function where(): string
    {
        $scale = $this->route->scale;

        return md5(
            "{$this->route->portId} {$this->route->address} {$scale->fromLow} {$scale->fromHigh} {$scale->toLow} {$scale->toHigh} ".(int) $this->route->asFloat,
        );
    }

    public function heard(int $level, int $now): void
    {
        $this->show($level);
        $this->heardAt = $now;
    }

    /** What the other end shows is not known any more. */
    public function forget(): void
    {
        $this->show(null);
        $this->sentAt = null;
    }

    public function sent(int $level, int $now): void
    {
        $this->show($level);
        $this->sentAt = $now;
    }

    /** When $level may be sent, or null when the other end shows it already. */
    public function dueAt(int $level, int $now): ?int
    {
        if ($level === $this->shown) {
            return null;
        }

        return max(
            $now,
            $this->heardAt === null ? $now : $this->heardAt + self::HAND_RESTS_NANOS,
            $this->sentAt === null ? $now : $this->sentAt + self::GAP_NANOS,
        );
    }
}
