<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Scope;

use NimbleJunction\Core\Merge\Bytes;
use NimbleJunction\Core\Signal\Frame;

/** Which slots of a universe move while somebody learns from it. */
final class SlotLearning
{
    /** Nobody asks any more after this: what moved is forgotten. */
    private const FORGOTTEN_NANOS = 3_000_000_000;

    /** @var array<string, int> when somebody who learns asked last, by universe */
    private array $askedAt = [];

    private int $forgotAt = -1;

    /** @param int $most where more slots move at once, something is playing, and nobody learns from there */
    public function __construct(private readonly int $most = Frame::SLOTS)
    {
    }

    /** @var array<string, string> 512 bytes: what each universe had last, while somebody learns from it */
    private array $before = [];

    /** @var array<string, array<int, SlotCandidate>> by universe and slot */
    private array $open = [];

    /** @param string $levels 512 bytes */
    public function levels(string $universeId, string $levels, int $now): void
    {
        $before = $this->before[$universeId] ?? null;
        if ($before === null || $before === $levels || \count($this->open[$universeId] ?? []) > $this->most) {
            return;
        }
        foreach (Bytes::slots(Bytes::filled($before ^ $levels)) as $slot) {
            $candidate = $this->open[$universeId][$slot] ??= new SlotCandidate($slot, \ord($before[$slot]), $now);
            $candidate->heard(\ord($levels[$slot]), $now);
        }
        $this->before[$universeId] = $levels;
    }

    /**
     * Asked again and again by whoever learns.
     *
     * @param string $levels 512 bytes: what the universe has now
     *
     * @return list<SlotCandidate> the one that moved most first
     */
    public function candidates(string $universeId, string $levels, int $now): array
    {
        $this->forget($now);
        $this->before[$universeId] ??= $levels;
        $this->askedAt[$universeId] = $now;
        $candidates = array_values($this->open[$universeId] ?? []);
        if (\count($candidates) > $this->most) {
            return [];
        }
        usort(
            $candidates,
            static fn(
                SlotCandidate $a,
                SlotCandidate $b,
            ): int => [$b->movement->score(), $b->at] <=> [$a->movement->score(), $a->at],
        );

        return $candidates;
    }

    /** Once a turn, however many universes somebody learns from. */
    private function forget(int $now): void
    {
        if ($now === $this->forgotAt) {
            return;
        }
        $this->forgotAt = $now;
        $this->askedAt = array_filter($this->askedAt, static fn(int $at): bool => $now - $at < self::FORGOTTEN_NANOS);
        $this->before = array_intersect_key($this->before, $this->askedAt);
        $this->open = array_intersect_key($this->open, $this->askedAt);
    }
}
