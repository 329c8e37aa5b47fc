<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

/**
 * What one look, or one list, gives: parameters on their way to values. It goes by a clock of its own, is scaled by its
 * level and by masters, and knows nothing of universes but their levels.
 */
final class Playback
{
    public readonly PlayClock $clock;

    /** @var array<string, Strip> by universe */
    private array $strips = [];

    /** @var array<int, Waiting> */
    private array $waiting = [];

    private float $scale = 1.0;
    private float $reach = 1.0;

    /** @var array<string, string> 512 bytes: slots that it has taken since it was last asked, by universe */
    private array $claimed = [];

    /**
     * @param string $owner the same as long as it is the same: "look doors"
     * @param string $name for people: 'Look "Doors"'
     * @param int|null $priority 0 to 200; null joins whoever is in control
     */
    public function __construct(public readonly string $owner, private string $name, private ?int $priority)
    {
        $this->clock = new PlayClock();
    }

    public function name(): string
    {
        return $this->name;
    }

    /** @return int|null 0 to 200; null joins whoever is in control */
    public function priority(): ?int
    {
        return $this->priority;
    }

    /** @return array<string, Strip> by universe */
    public function strips(): array
    {
        return $this->strips;
    }

    public function isOver(): bool
    {
        return $this->strips === [] && $this->waiting === [];
    }

    /** Whether another frame will be another one. */
    public function isMoving(): bool
    {
        foreach ($this->strips as $strip) {
            if ($strip->isMoving()) {
                return true;
            }
        }

        return false;
    }

    /** Whether it moves, or is to begin something later. */
    public function isBusy(): bool
    {
        return $this->waiting !== [] || $this->isMoving();
    }

    /**
     * @param int $nextFrame when the next frame is, in nanoseconds
     * @param int|null $besides when something else is to be done, on its clock; null for nothing
     *
     * @return int when it must be looked at next; PHP_INT_MAX for not by itself
     */
    public function dueAt(int $nextFrame, ?int $besides): int
    {
        $due = $this->clock->rate() > 0.0 && $this->isMoving() ? $nextFrame : \PHP_INT_MAX;
        foreach ($this->waiting as $waiting) {
            $due = min($due, $this->clock->when($waiting->at));
        }

        return $besides === null ? $due : min($due, $this->clock->when($besides));
    }

    /** Whether it gives something else by $now: it moves, or something begins. */
    public function isDue(int $now): bool
    {
        return $this->dueAt($now, null) <= $now;
    }

    /**
     * Parameters go to values, each when its delay has passed.
     *
     * @param array<string, Target> $targets by key of the lane
     * @param \Closure(string): string $merged what is asked for now in a universe, 512 bytes
     * @param array<string, int> $from where those begin that it does not give yet, by key of the lane
     */
    public function go(array $targets, Times $times, \Closure $merged, int $now, array $from = []): void
    {
        $at = $this->clock->at($now);
        $this->forget($targets);
        $later = [];
        foreach ($targets as $key => $target) {
            $later[$times->delayOf($target->lane->kind)][$key] = $target;
        }
        $this->begin($later[0] ?? [], $times, $merged, $at, $from);
        unset($later[0]);
        foreach ($later as $delay => $ones) {
            $this->waiting[] = new Waiting($at + $delay, $ones, $times);
        }
    }

    /**
     * Parameters go, to what is there without it.
     *
     * @param list<string> $keys of lanes
     */
    public function leave(array $keys, Times $times, int $now): void
    {
        $at = $this->clock->at($now);
        $this->forget(array_flip($keys));
        foreach ($this->strips as $strip) {
            foreach ($keys as $key) {
                $strip->leave($key, $at, $times);
            }
        }
    }

    /** All of it goes. */
    public function release(float $seconds, int $now): void
    {
        $this->waiting = [];
        $this->leave($this->keys(), new Times($seconds, $seconds), $now);
    }

    /**
     * Parameters are given by somebody else now, and end here.
     *
     * @param list<string> $keys of lanes
     */
    public function end(array $keys): void
    {
        $this->forget(array_flip($keys));
        foreach ($this->strips as $strip) {
            foreach ($keys as $key) {
                $strip->end($key);
            }
        }
    }

    /**
     * An edit: what it is on its way to is elsewhere; nothing begins anew. What it gives and is named no more goes at once.
     *
     * @param array<string, Target> $targets all that it gives by the show of now, by key of the lane
     * @param \Closure(string): string $merged
     */
    public function aim(array $targets, Lanes $lanes, \Closure $merged, int $now): void
    {
        $at = $this->clock->at($now);
        $this->giveAgain();
        $this->follow($lanes);
        foreach ($this->strips as $strip) {
            foreach ($strip->keys(true) as $key) {
                $target = $targets[$key] ?? null;
                if ($target === null || $target->lane->universeId !== $strip->universeId) {
                    $strip->end($key);
                }
            }
        }
        $waits = [];
        foreach ($this->waiting as $i => $waiting) {
            $this->waiting[$i] = new Waiting($waiting->at, array_intersect_key($targets, $waiting->targets), $waiting->times);
            $waits += $this->waiting[$i]->targets;
        }
        $new = [];
        foreach (array_diff_key($targets, $waits) as $key => $target) {
            $strip = $this->strips[$target->lane->universeId] ?? null;
            if ($strip === null || ! $strip->aim($target)) {
                $new[$key] = $target;
            }
        }
        $this->begin($new, new Times(), $merged, $at, []);
    }

    /**
     * @param float $scale of its intensities, 0 to 1
     * @param float $reach how far all else is cross-faded, 0 to 1
     *
     * @return bool whether that is otherwise than before
     */
    public function scale(float $scale, float $reach): bool
    {
        if ($scale === $this->scale && $reach === $this->reach) {
            return false;
        }
        $this->scale = $scale;
        $this->reach = $reach;
        foreach ($this->strips as $strip) {
            $strip->scale($scale, $reach);
        }

        return true;
    }

    /**
     * Time has come to $now: what was delayed begins.
     *
     * @param \Closure(string): string $merged
     */
    public function passes(\Closure $merged, int $now): void
    {
        if ($this->waiting === []) {
            return;
        }
        $at = $this->clock->at($now);
        foreach ($this->waiting as $i => $waiting) {
            if ($waiting->at > $at) {
                continue;
            }
            unset($this->waiting[$i]);
            $this->begin($waiting->targets, $waiting->times, $merged, $waiting->at, []);
        }
        $this->waiting = array_values($this->waiting);
    }

    /** It gives with another priority from now on, and counts as the one that acted last there. */
    public function rank(?int $priority): void
    {
        if ($this->priority !== $priority) {
            $this->priority = $priority;
            $this->giveAgain();
            $this->claim();
        }
    }

    /** It counts as the one that acted last, in all that it gives. */
    public function claim(): void
    {
        $this->claimed = array_map(static fn(Strip $strip): string => $strip->mask, $this->strips);
    }

    /** @param string $name for people: 'Look "Doors" at 50 %' */
    public function call(string $name): void
    {
        if ($this->name !== $name) {
            $this->name = $name;
            $this->giveAgain();
        }
    }

    /**
     * @return array<string, string> slots that it has taken since this was last asked, by universe: 512 bytes, 255 in these
     * slots
     */
    public function claimed(): array
    {
        $claimed = $this->claimed;
        $this->claimed = [];

        return $claimed;
    }

    /** Strips that give nothing any more are put away. */
    public function tidy(): void
    {
        foreach ($this->strips as $id => $strip) {
            if ($strip->isEmpty()) {
                unset($this->strips[$id]);
            }
        }
    }

    /** @return list<string> keys of all lanes that it gives, or of those alone that stay */
    public function keys(bool $onlyStaying = false): array
    {
        return array_merge(...array_values(array_map(
            static fn(Strip $strip): array => $strip->keys($onlyStaying),
            $this->strips,
        )));
    }

    /** @return int|null where a lane goes, or is; null where it is given nothing, or goes out */
    public function aimOf(string $key): ?int
    {
        foreach ($this->waiting as $waiting) {
            if (isset($waiting->targets[$key])) {
                return $waiting->targets[$key]->value;
            }
        }
        foreach ($this->strips as $strip) {
            $aim = $strip->aimOf($key);
            if ($aim !== null) {
                return $aim;
            }
        }

        return null;
    }

    /** @return array<string, int> what it gives now, by key of the lane */
    public function given(): array
    {
        $given = [];
        foreach ($this->strips as $strip) {
            foreach ($strip->keys() as $key) {
                $given[$key] = (int) $strip->given($key);
            }
        }

        return $given;
    }

    /** @return list<Waiting> what begins later */
    public function waiting(): array
    {
        return array_values($this->waiting);
    }

    /** A lane as it was kept: see Strip::resume(). */
    public function strip(string $universeId): Strip
    {
        if (! isset($this->strips[$universeId])) {
            $this->strips[$universeId] = new Strip($universeId);
            $this->strips[$universeId]->scale($this->scale, $this->reach);
        }

        return $this->strips[$universeId];
    }

    public function wait(Waiting $waiting): void
    {
        $this->waiting[] = $waiting;
    }

    private function giveAgain(): void
    {
        foreach ($this->strips as $strip) {
            $strip->giveAgain();
        }
    }

    /** Lanes go along with their parameters; those whose parameter is gone end. */
    private function follow(Lanes $lanes): void
    {
        foreach ($this->strips as $strip) {
            foreach ($strip->keys() as $key) {
                $lane = $lanes->lane($key);
                if ($lane === null) {
                    $strip->end($key);
                } elseif (! $strip->hasAt($lane)) {
                    $strip->moveTo($this->strip($lane->universeId), $lane);
                }
            }
        }
    }

    /**
     * @param array<string, Target> $targets by key of the lane
     * @param \Closure(string): string $merged
     * @param array<string, int> $from where those begin that it does not give yet
     */
    private function begin(array $targets, Times $times, \Closure $merged, int $at, array $from): void
    {
        $byUniverse = [];
        foreach ($targets as $key => $target) {
            $byUniverse[$target->lane->universeId][$key] = $target;
        }
        foreach ($byUniverse as $id => $ones) {
            $strip = $this->strip((string) $id);
            $levels = $merged((string) $id);
            $claimed = $this->claimed[$id] ?? str_repeat("\0", 512);
            foreach ($ones as $key => $target) {
                $strip->go($target, $levels, $at, $times, $from[$key] ?? null);
                foreach ($target->lane->slots as $slot) {
                    $claimed[$slot] = "\xFF";
                }
            }
            $this->claimed[$id] = $claimed;
        }
    }

    /** @param array<string, mixed> $keys by key of the lane: what was to begin later of these does not */
    private function forget(array $keys): void
    {
        foreach ($this->waiting as $i => $waiting) {
            $this->waiting[$i] = $waiting->without($keys);
        }
        $this->waiting = array_values(array_filter($this->waiting, static fn(Waiting $one): bool => $one->targets !== []));
    }
}
