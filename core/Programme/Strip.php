<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

use NimbleJunction\Core\Merge\Bytes;

/**
 * What a playback gives one universe: a lane for each parameter, on its way from where it was to where it is to be.
 * Many lanes move at once: everything is in lists by number, and a frame is one string.
 */
final class Strip
{
    /** What gives something else so soon is not worth asking when: about a frame. */
    private const SOON_NANOS = 20_000_000;

    /** @var string 512 bytes: 255 in the slots that it gives */
    public string $mask;

    /** @var string 512 bytes: what it gives now */
    private string $levels;

    /** @var array<string, int> number of each lane, by its key */
    private array $numbers = [];

    /** @var array<int, Lane> */
    private array $lanes = [];

    /** @var array<int, int> what it gave when the change began */
    private array $from = [];

    /** @var array<int, int> where it goes, before it is scaled */
    private array $to = [];

    /** @var array<int, int> what was there without it, where a level cross-fades it */
    private array $below = [];

    /** @var array<int, int> when its change began, on the playback's clock */
    private array $begin = [];

    /** @var array<int, int> nanoseconds that it takes */
    private array $nanos = [];

    /** @var array<int, true> those that a level does not cross-fade */
    private array $whole = [];

    /** @var array<int, true> those on their way */
    private array $moving = [];

    /** @var array<int, true> those that go, and are no more when they are there */
    private array $leaving = [];

    /** Whether it gives something else than when that was asked last. */
    private bool $isOtherwise = true;

    /** Until when, on the playback's clock, it gives what it gives now: a slow fade takes many frames to its next level. */
    private int $sameUntil = 0;

    private float $scale = 1.0;
    private float $reach = 1.0;
    private int $next = 0;

    public function __construct(public readonly string $universeId)
    {
        $this->mask = $this->levels = Bytes::$none;
    }

    /**
     * A lane is to go somewhere.
     *
     * @param string $merged 512 bytes: what is asked for now: from there begins what it has not given before
     * @param int $at when, on the playback's clock
     * @param int|null $from where it begins; null for where it is
     */
    public function go(Target $target, string $merged, int $at, Times $times, ?int $from = null): void
    {
        $lane = $target->lane;
        $number = $this->numbers[$lane->key] ?? null;
        $isKnown = $number !== null && $this->lanes[$number]->slots === $lane->slots;
        if ($number !== null && ! $isKnown) {
            $this->drop($number);
        }
        if (! $isKnown) {
            $below = $lane->valueIn($merged);
            $number = $this->admit($lane, $from ?? ($lane->isBeside() ? $lane->zero : $below));
            $this->below[$number] = $below;
        }
        $this->lanes[$number] = $lane;
        $this->sameUntil = 0;
        $this->from[$number] = $from ?? $lane->valueIn($this->levels);
        $this->to[$number] = $target->value;
        $this->begin[$number] = $at;
        $this->nanos[$number] = $times->nanosOf($lane->kind, $target->value > $this->from[$number]);
        $this->moving[$number] = true;
        unset($this->leaving[$number], $this->whole[$number]);
        if ($times->jumps($lane->kind)) {
            $this->whole[$number] = true;
        }
    }

    /** A lane goes, to what is there without it; unknown ones are left, and those that go already and are gone no later. */
    public function leave(string $key, int $at, Times $times): void
    {
        $number = $this->numbers[$key] ?? null;
        if ($number === null) {
            return;
        }
        $lane = $this->lanes[$number];
        if (
            isset($this->leaving[$number])
            && $this->begin[$number] + $this->nanos[$number] <= $at + $times->nanosOf($lane->kind, false)
        ) {
            return;
        }
        $this->sameUntil = 0;
        $this->from[$number] = $lane->valueIn($this->levels);
        $this->begin[$number] = $at;
        $this->nanos[$number] = $times->nanosOf($lane->kind, false);
        $this->moving[$number] = $this->leaving[$number] = true;
    }

    /** A lane is no more, from now on. */
    public function end(string $key): void
    {
        $number = $this->numbers[$key] ?? null;
        if ($number !== null) {
            $this->drop($number);
        }
    }

    /** A lane is to be elsewhere, and goes on as it does: an edit. */
    public function aim(Target $target): bool
    {
        $number = $this->numbers[$target->lane->key] ?? null;
        if ($number === null || isset($this->leaving[$number]) || $this->lanes[$number]->slots !== $target->lane->slots) {
            return false;
        }
        $isAsItWas = $this->lanes[$number] === $target->lane && $this->to[$number] === $target->value;
        $this->lanes[$number] = $target->lane;
        $this->to[$number] = $target->value;
        if (! $isAsItWas) {
            $this->sameUntil = 0;
            $this->moving[$number] = true;
        }

        return true;
    }

    /** Whether it gives something else than when this was asked last. */
    public function takeOtherwise(): bool
    {
        $isOtherwise = $this->isOtherwise;
        $this->isOtherwise = false;

        return $isOtherwise;
    }

    /** Whoever has what it gives may have lost it: it is given again. */
    public function giveAgain(): void
    {
        $this->isOtherwise = true;
    }

    /** @return list<string> keys of all lanes, or of those alone that stay */
    public function keys(bool $onlyStaying = false): array
    {
        $keys = [];
        foreach ($this->lanes as $number => $lane) {
            if (! $onlyStaying || ! isset($this->leaving[$number])) {
                $keys[] = $lane->key;
            }
        }

        return $keys;
    }

    /** @return int|null what it gives a parameter now; null for nothing */
    public function given(string $key): ?int
    {
        $number = $this->numbers[$key] ?? null;

        return $number === null ? null : $this->lanes[$number]->valueIn($this->levels);
    }

    /** @return int|null where a lane goes, or is; null where it is not, or goes out */
    public function aimOf(string $key): ?int
    {
        $number = $this->numbers[$key] ?? null;

        return $number === null || isset($this->leaving[$number]) ? null : $this->to[$number];
    }

    public function isEmpty(): bool
    {
        return $this->lanes === [];
    }

    public function isMoving(): bool
    {
        return $this->moving !== [];
    }

    /** Whether it goes somewhere else than to a value of its own: what is there without it has to be known. */
    public function needsBelow(): bool
    {
        foreach ($this->leaving as $number => $_) {
            if (! $this->lanes[$number]->isBeside()) {
                return true;
            }
        }

        return false;
    }

    /**
     * How far its level brings it.
     *
     * @param float $scale of its intensities, 0 to 1
     * @param float $reach how far all else is cross-faded, 0 to 1
     */
    public function scale(float $scale, float $reach): void
    {
        if ($scale !== $this->scale || $reach !== $this->reach) {
            $this->scale = $scale;
            $this->reach = $reach;
            $this->sameUntil = 0;
            $this->moving += array_fill_keys(array_keys($this->lanes), true);
        }
    }

    /**
     * @param int $at on the playback's clock
     * @param string $below 512 bytes: what is asked for without it, where that has to be known
     *
     * @return string 512 bytes: what it gives then
     */
    public function levels(int $at, string $below = ''): string
    {
        if ($at < $this->sameUntil && $this->leaving === []) {
            return $this->levels;
        }
        $levels = $this->levels;
        $until = \PHP_INT_MAX;
        $soon = $at + self::SOON_NANOS;
        foreach ($this->moving as $number => $_) {
            $lane = $this->lanes[$number];
            $nanos = $this->nanos[$number];
            $passed = $at - $this->begin[$number];
            $share = $passed >= $nanos ? 1.0 : ($passed <= 0 ? 0.0 : $passed / $nanos);
            $goal = isset($this->leaving[$number]) ? $this->without($lane, $below) : $this->goal($number, $lane);
            $from = $this->from[$number];
            $value = (int) ($from + $share * ($goal - $from) + 0.5);
            if ($until > $soon) {
                $until = min($until, $share < 1.0 ? Slope::nextAt($value, $from, $goal, $nanos) + $this->begin[$number] : $at);
            }
            $slots = $lane->slots;
            if (\count($slots) === 1) {
                $levels[$slots[0]] = \chr($value);
            } else {
                for ($i = \count($slots) - 1; $i >= 0; --$i) {
                    $levels[$slots[$i]] = \chr($value & 255);
                    $value >>= 8;
                }
            }
            if ($share < 1.0) {
                continue;
            }
            unset($this->moving[$number]);
            if (isset($this->leaving[$number])) {
                $this->levels = $levels;
                $this->drop($number);
                $levels = $this->levels;
            }
        }
        $this->sameUntil = $until > $soon ? $until : $at;
        $this->isOtherwise = $this->isOtherwise || $levels !== $this->levels;
        $this->levels = $levels;

        return $levels;
    }

    /** @return array<string, array{int, int}|array{int, int, int, int, int, bool, bool}> lane by lane (KeptLane) */
    public function kept(int $at): array
    {
        foreach ($this->lanes as $number => $lane) {
            $kept[$lane->key] = isset($this->moving[$number]) || isset($this->whole[$number])
                ? $this->way($number, $at)->toArray()
                : [$this->to[$number], $this->below[$number]];
        }

        return $kept ?? [];
    }

    private function way(int $number, int $at): KeptLane
    {
        return new KeptLane(
            $this->to[$number],
            $this->below[$number],
            $this->from[$number],
            $at - $this->begin[$number],
            $this->nanos[$number],
            isset($this->leaving[$number]),
            isset($this->whole[$number]),
        );
    }

    /** A lane of the same key lies elsewhere now: it goes on there, as far as it was, if that has as many bits. */
    public function moveTo(self $strip, Lane $lane): void
    {
        $number = $this->numbers[$lane->key] ?? null;
        if ($number === null) {
            return;
        }
        $begin = $this->begin[$number];
        $way = $this->way($number, $begin);
        $now = $this->lanes[$number]->valueIn($this->levels);
        $isFitting = $this->lanes[$number]->highest === $lane->highest;
        $this->drop($number);
        if ($isFitting && ! $way->leaves) {
            $strip->resume($lane, $way, $begin);
            $strip->levels = $lane->laidIn($strip->levels, $now);
            $strip->isOtherwise = true;
        }
    }

    /** Whether a lane lies where it is said to. */
    public function hasAt(Lane $lane): bool
    {
        $number = $this->numbers[$lane->key] ?? null;

        return $number !== null && $this->universeId === $lane->universeId && $this->lanes[$number]->slots === $lane->slots;
    }

    /**
     * A lane as it was kept.
     *
     * @param int $at on the playback's clock
     */
    public function resume(Lane $lane, KeptLane $kept, int $at): void
    {
        $from = max(0, min($lane->highest, $kept->from));
        $number = $this->admit($lane, $from);
        $this->lanes[$number] = $lane;
        $this->from[$number] = $from;
        $this->to[$number] = max(0, min($lane->highest, $kept->to));
        $this->below[$number] = max(0, min($lane->highest, $kept->below));
        $this->begin[$number] = $at - $kept->gone;
        $this->nanos[$number] = $kept->nanos;
        $this->moving[$number] = true;
        $this->sameUntil = 0;
        if ($kept->leaves) {
            $this->leaving[$number] = true;
        }
        if ($kept->isWhole) {
            $this->whole[$number] = true;
        }
    }

    /** @return int the number of a lane that it has not had, and gives from now on */
    private function admit(Lane $lane, int $value): int
    {
        $this->isOtherwise = true;
        $this->levels = $lane->laidIn($this->levels, $value);
        foreach ($lane->slots as $slot) {
            $this->mask[$slot] = "\xFF";
        }

        return $this->numbers[$lane->key] = $this->next++;
    }

    private function goal(int $number, Lane $lane): float
    {
        $to = $this->to[$number];
        if ($lane->isIntensity()) {
            return $lane->zero + ($to - $lane->zero) * $this->scale;
        }

        return $this->reach >= 1.0 || isset($this->whole[$number])
            ? (float) $to
            : $this->below[$number] + ($to - $this->below[$number]) * $this->reach;
    }

    private function without(Lane $lane, string $below): int
    {
        return $lane->isBeside() || $below === '' ? $lane->zero : $lane->valueIn($below);
    }

    private function drop(int $number): void
    {
        $lane = $this->lanes[$number];
        $this->isOtherwise = true;
        foreach ($lane->slots as $slot) {
            $this->mask[$slot] = $this->levels[$slot] = "\0";
        }
        unset($this->numbers[$lane->key], $this->lanes[$number], $this->from[$number], $this->to[$number], $this->below[$number]);
        unset($this->begin[$number], $this->nanos[$number]);
        unset($this->whole[$number], $this->moving[$number], $this->leaving[$number]);
    }
}
