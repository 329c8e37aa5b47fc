<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Port;

use NimbleJunction\Core\Signal\Postponed;

/** Messages that wait for the time that their sender named, in the order of those times. */
final class Agenda
{
    /** How far ahead a time may be. Our own choice: what is further off is a clock that is wrong. */
    public const FURTHEST_NANOS = 60_000_000_000;
    private const MOST = 4096;

    /** When due() must be called next. */
    public int $dueAt = \PHP_INT_MAX;

    /** Nanoseconds from our clock that never runs back to that of the day; null while nobody has said. */
    private ?int $toUnix = null;

    /**
     * @var array<int, array{at: int, endpoint: string, from: string, port: int, bytes: string, what: Postponed}> by the
     * order in which they came
     */
    private array $waiting = [];

    /** @param int $unixNanos what the clock of the day shows at $now */
    public function setClock(int $unixNanos, int $now): void
    {
        $this->toUnix = $unixNanos - $now;
    }

    /**
     * Whether a message is to wait. What is past, and what comes while the time of day is not known, is done at once.
     *
     * @return string|null null when it waits, '' when it is to be done at once, otherwise why it is refused
     */
    public function take(string $endpoint, Postponed $what, string $from, int $port, string $bytes, int $now): ?string
    {
        $at = $this->toUnix === null ? $now : $what->unixNanos - $this->toUnix;
        if ($at <= $now) {
            return '';
        }
        if ($at - $now > self::FURTHEST_NANOS) {
            return 'its time tag is '.round(($at - $now) / 1e9).' s ahead, and at most '.intdiv(self::FURTHEST_NANOS, 1_000_000_000)
                .' s are waited for: do the clocks of the two machines agree?';
        }
        if (\count($this->waiting) >= self::MOST) {
            return self::MOST.' messages wait for their time already';
        }
        $this->waiting[] = [
            'at' => $at,
            'endpoint' => $endpoint,
            'from' => $from,
            'port' => $port,
            'bytes' => $bytes,
            'what' => $what,
        ];
        $this->dueAt = min($this->dueAt, $at);

        return null;
    }

    /**
     * @return list<array{at: int, endpoint: string, from: string, port: int, bytes: string, what: Postponed}> those whose
     * time has come, the earliest first
     */
    public function due(int $now): array
    {
        $due = array_values(array_filter($this->waiting, static fn(array $one): bool => $one['at'] <= $now));
        $this->waiting = array_filter($this->waiting, static fn(array $one): bool => $one['at'] > $now);
        $this->dueAt = $this->waiting === [] ? \PHP_INT_MAX : min(array_column($this->waiting, 'at'));
        usort($due, static fn(array $a, array $b): int => $a['at'] <=> $b['at']);

        return $due;
    }
}
