<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Scope;

use NimbleJunction\Core\Signal\Message;

/**
 * What a port has just heard, and what moves at it while somebody learns: the
 * newest messages are remembered always, so that what was moved a moment before
 * is there to pick.
 */
final class Learning
{
    private const RECENT = 32;
    private const LATELY_NANOS = 60_000_000_000;

    /** Nobody asks any more after this: what moved is forgotten. */
    private const FORGOTTEN_NANOS = 3_000_000_000;
    private const MOST_CANDIDATES = 64;

    /** @var array<string, array<int, array{Message, int}>> by port, a ring */
    private array $recent = [];

    /** @var array<string, int> where the next one goes, by port */
    private array $next = [];

    /** @var array<string, int> when somebody who learns asked last, by port */
    private array $askedAt = [];

    /** @var array<string, array<string, Candidate>> by port and address */
    private array $open = [];

    public function heard(string $portId, Message $message, int $now): void
    {
        if ($message->isTick()) {
            return;
        }
        $place = $this->next[$portId] ?? 0;
        $this->recent[$portId][$place] = [$message, $now];
        $this->next[$portId] = ($place + 1) % self::RECENT;
        if (isset($this->open[$portId])) {
            $this->take($portId, $message, $now, true);
        }
    }

    /**
     * Asked again and again by whoever learns; the first time it begins with what was heard within the last minute.
     *
     * @return list<Candidate> the one that moved most first, of equal ones the one that moved last
     */
    public function candidates(string $portId, int $now): array
    {
        $this->askedAt = array_filter($this->askedAt, static fn(int $at): bool => $now - $at < self::FORGOTTEN_NANOS);
        $this->open = array_intersect_key($this->open, $this->askedAt);
        if (! isset($this->open[$portId])) {
            $this->open[$portId] = [];
            foreach ($this->remembered($portId, $now) as [$message, $at]) {
                $this->take($portId, $message, $at, false);
            }
        }
        $this->askedAt[$portId] = $now;
        $candidates = array_values($this->open[$portId]);
        usort(
            $candidates,
            static fn(Candidate $a, Candidate $b): int => [round($b->score(), 1), $b->at] <=> [round($a->score(), 1), $a->at],
        );

        return $candidates;
    }

    /** @return list<array{Message, int}> of the last minute, the oldest first */
    private function remembered(string $portId, int $now): array
    {
        $recent = array_filter($this->recent[$portId] ?? [], static fn(array $one): bool => $now - $one[1] < self::LATELY_NANOS);
        usort($recent, static fn(array $a, array $b): int => $a[1] <=> $b[1]);

        return $recent;
    }

    private function take(string $portId, Message $message, int $now, bool $isAsked): void
    {
        $candidates = $this->open[$portId] ?? [];
        $candidate = $candidates[$message->address()] ?? new Candidate($message, $now, $isAsked);
        $candidate->heard($message, $now, $isAsked);
        $candidates[$message->address()] = $candidate;
        if (\count($candidates) > self::MOST_CANDIDATES) {
            // Whoever moved longest ago gives way.
            uasort($candidates, static fn(Candidate $a, Candidate $b): int => $a->at <=> $b->at);
            $candidates = \array_slice($candidates, 1);
        }
        $this->open[$portId] = $candidates;
    }
}
