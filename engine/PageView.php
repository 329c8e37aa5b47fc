<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

/** What one page wants to see, and what it has been shown. */
final class PageView
{
    /** @var array<string, string> topic and its subject */
    public array $topics = [];
    public int $traceRevision = 0;

    /** @var array<string, int> number of the next point to show, by subject */
    public array $scopes = [];

    /** @var array<string, int> by topic, in nanoseconds */
    private array $shownAt = [];

    /** @var array<string, string> */
    private array $shown = [];
    private string $goOnAt = '';

    /** @param array<string, string> $topics */
    public function want(array $topics): void
    {
        if (! isset($topics['trace'])) {
            $this->traceRevision = 0;
        }
        $this->topics = $topics;
        $this->scopes = array_filter($this->scopes, static fn(string $subject): bool => isset($topics["scope:{$subject}"]), \ARRAY_FILTER_USE_KEY);
        $this->shown = $this->shownAt = [];
        $this->goOnAt = '';
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
}
