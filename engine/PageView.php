<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

/** What one page wants to see, and what it has been shown. */
final class PageView
{
    /** @var array<string, string> topic and its subject */
    public array $topics = [];

    /** @var array<string, int> how far each topic has been told, by topic */
    private array $numbers = [];

    /** @var array<string, int> by topic, in nanoseconds */
    private array $shownAt = [];

    /** @var array<string, string> */
    private array $shown = [];
    private string $goOnAt = '';

    /**
     * @param array<string, string> $topics topic and its subject
     * @param bool $isAnew the page has lost something: it is told everything again
     */
    public function want(array $topics, bool $isAnew): void
    {
        $this->topics = $topics;
        $this->numbers = $isAnew ? [] : array_intersect_key($this->numbers, $topics);
        $this->shown = $this->shownAt = [];
        $this->goOnAt = '';
    }

    /** How far a topic has been told: 0 at first. */
    public function number(string $topic): int
    {
        return $this->numbers[$topic] ?? 0;
    }

    public function count(string $topic, int $number): void
    {
        $this->numbers[$topic] = $number;
    }

    /** @return iterable<string, string> topic and its subject, beginning where the last turn broke off */
    public function inTurn(): iterable
    {
        $first = $this->goOnAt;
        $this->goOnAt = '';
        $place = $first === '' ? false : array_search($first, array_keys($this->topics), true);
        if ($place === false) {
            return $this->topics;
        }

        return [...\array_slice($this->topics, (int) $place, null, true), ...\array_slice($this->topics, 0, (int) $place, true)];
    }

    public function goOnAt(string $topic): void
    {
        $this->goOnAt = $topic;
    }

    public function isTime(string $topic, int $now, int $every): bool
    {
        if ($now - ($this->shownAt[$topic] ?? 0) < $every) {
            return false;
        }
        $this->shownAt[$topic] = $now;

        return true;
    }

    public function isNew(string $what, string $bytes): bool
    {
        if (($this->shown[$what] ?? null) === $bytes) {
            return false;
        }
        $this->shown[$what] = $bytes;

        return true;
    }

    /** What it was shown whose name begins so counts as never shown. */
    public function forget(string $beginning): void
    {
        $this->shown = array_filter(
            $this->shown,
            static fn(string $what): bool => ! str_starts_with($what, $beginning),
            \ARRAY_FILTER_USE_KEY,
        );
    }
}
