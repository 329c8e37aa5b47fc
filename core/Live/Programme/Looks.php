<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Programme;

use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Programme\KeptPlayback;
use NimbleJunction\Core\Programme\Look;
use NimbleJunction\Core\Programme\Recall;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;

/** Looks: recalled by a press, or brought up by a level; released by a fade to what is there without them. */
final class Looks implements Room
{
    public const FULL = 100.0;

    /** @var array<string, LiveLook> by id */
    private array $live = [];

    /** @var array<string, LiveLook> those of them that move, wait, or end by themselves: all others cost nothing */
    private array $busy = [];

    private Plan $plan;
    private int $acts = 0;

    /**
     * @param \Closure(Reference, int|float|null, int|float|null): void $changed a point has another value, and had this one
     * @param \Closure(Event): void $happened
     */
    public function __construct(
        private readonly Giving $giving,
        private readonly Masters $masters,
        private readonly Common $common,
        private readonly \Closure $changed,
        private readonly \Closure $happened,
    ) {
        $this->plan = Plan::empty();
    }

    /** @return array<string, LiveLook> those that give something, by id */
    public function live(): array
    {
        return $this->live;
    }

    /** Live looks go on by the show of now: they go to where it says, and nothing begins anew. */
    public function goOnBy(Plan $plan, int $now): void
    {
        $this->plan = $plan;
        foreach ($this->live as $id => $live) {
            $look = $plan->programme->looks[$id] ?? null;
            if ($look === null) {
                unset($this->live[$id], $this->busy[$id]);

                continue;
            }
            $live->look = $look;
            $live->playback->rank($look->priority);
            $live->playback->aim(
                $live->level > 0.0 ? $this->giving->targets($look->values) : [],
                $this->giving->lanes(),
                $this->giving->merged(),
                $now,
            );
            $this->scale($live);
            $this->lay($live, $now);
        }
    }

    /** @return float from 0 to 100 */
    public function level(string $id): float
    {
        return $this->live[$id]->level ?? 0.0;
    }

    public function isOn(string $id): bool
    {
        return $this->level($id) > 0.0;
    }

    /** It comes on, in its times; those of its set go. */
    public function recall(Look $look, int $now, bool $isAtOnce = false): void
    {
        $times = $isAtOnce ? $look->atOnce() : $look->timesIn($this->common->seconds());
        $targets = $this->giving->targets($look->values);
        $from = $look->set === '' ? [] : $this->replaced($look, array_keys($targets), $times->up, $now);
        $live = $this->live[$look->id] ??= LiveLook::of($look);
        $this->tell($live, self::FULL);
        $this->scale($live);
        $live->playback->go($targets, $times, $this->giving->merged(), $now, $from);
        $live->completeAt = $live->playback->clock->at($now) + $times->longest();
        $live->endsAt = $look->press === Recall::Once ? $live->completeAt : null;
        $this->lay($live, $now);
        $this->giving->setOthers($look->values, new Act($live->playback->owner, $live->playback->name()), $now);
        ++$this->acts;
        ($this->happened)($look->recalled());
    }

    /** A look that is on counts as the one that acted last. */
    public function claim(string $id, int $now): void
    {
        $live = $this->live[$id] ?? null;
        if ($live !== null && $this->isOn($id)) {
            $live->playback->claim();
            $this->lay($live, $now);
        }
    }

    /** It goes, to what is there without it. */
    public function release(string $id, int $now, ?float $seconds = null): void
    {
        $live = $this->live[$id] ?? null;
        $seconds ??= $live?->look->secondsOut($this->common->seconds()) ?? 0.0;
        $completeAt = ($live?->playback->clock->at($now) ?? 0) + (int) round($seconds * 1e9);
        // What is going already goes on so, unless it would be gone earlier.
        if ($live === null || ($live->level <= 0.0 && $completeAt >= $live->completeAt)) {
            return;
        }
        $this->tell($live, 0.0);
        $live->endsAt = null;
        $live->playback->release($seconds, $now);
        $live->completeAt = $completeAt;
        $this->lay($live, $now);
        ++$this->acts;
    }

    /** @param array<string, float> $added what waves add to levels, in per cent, by id */
    public function modulate(array $added, int $now): void
    {
        foreach ($this->live as $id => $live) {
            $live->modulation = $added[$id] ?? 0.0;
            if ($this->scale($live)) {
                $this->lay($live, $now);
            }
        }
    }

    public function releaseAll(int $now): void
    {
        foreach (array_keys($this->live) as $id) {
            $this->release((string) $id, $now);
        }
    }

    /** Masters over looks are otherwise. */
    public function scaleAll(int $now): void
    {
        foreach ($this->live as $live) {
            if ($this->scale($live)) {
                $this->lay($live, $now);
            }
        }
    }

    /** When goOn() must be called next. */
    public function dueAt(int $lastFrame): int
    {
        $due = \PHP_INT_MAX;
        foreach ($this->busy as $live) {
            $due = min($due, $live->playback->dueAt($lastFrame + Giving::FRAME_NANOS, $live->endsAt));
        }

        return $due;
    }

    /** A frame: what moves goes on. */
    public function goOn(int $now): void
    {
        foreach ($this->busy as $id => $live) {
            if ($live->endsAt !== null && $live->endsAt <= $live->playback->clock->at($now)) {
                $this->release((string) $id, $now);
            } elseif ($live->playback->isDue($now)) {
                $this->lay($live, $now);
            }
        }
    }

    public function key(): string
    {
        return 'looks';
    }

    public function revisions(): array
    {
        return array_map(fn(): int => $this->acts, $this->live);
    }

    public function kept(string $part, int $now): array
    {
        $live = $this->live[$part];
        $at = $live->playback->clock->at($now);

        return [
            'level' => $live->level,
            'complete' => $live->completeAt - $at,
            'ends' => $live->endsAt === null ? null : $live->endsAt - $at,
            'playback' => KeptPlayback::of($live->playback, $now),
        ];
    }

    /**
     * @param array<string, Stored> $stored by look
     * @param int $away nanoseconds since it was written down
     */
    public function restore(array $stored, int $now, int $away): void
    {
        foreach (array_intersect_key($stored, $this->plan->programme->looks) as $id => $part) {
            $live = LiveLook::of($this->plan->programme->looks[$id]);
            $level = $part->scalar('level');
            $live->level = is_numeric($level) ? max(0.0, min(self::FULL, (float) $level)) : 0.0;
            KeptPlayback::restore($part->part('playback'), $live->playback, $this->giving->lanes(), $now, $away);
            $at = $live->playback->clock->at($now) - $away;
            $live->completeAt = $at + ($part->whole('complete', -\PHP_INT_MAX, 1 << 60) ?? 0);
            $ends = $part->whole('ends', -\PHP_INT_MAX, 1 << 60);
            $live->endsAt = $ends === null ? null : $at + $ends;
            $this->live[$id] = $live;
            $this->scale($live);
            $this->lay($live, $now);
        }
    }

    /** A level is no recall: it acts at once, and its values are there as far as it says. */
    public function bring(Look $look, float $level, int $now): void
    {
        $live = $this->live[$look->id] ?? null;
        if ($level <= 0.0) {
            $this->release($look->id, $now, 0.0);

            return;
        }
        if ($live === null || $live->level <= 0.0) {
            $this->recall($look, $now, true);
            $live = $this->live[$look->id];
        }
        $this->tell($live, $level);
        $this->scale($live);
        $this->lay($live, $now);
        ++$this->acts;
    }

    public function pressed(Look $look, int $now): void
    {
        $look->press === Recall::Toggle && $this->isOn($look->id) ? $this->release($look->id, $now) : $this->recall($look, $now);
    }

    /**
     * Others of its set go; where both give a parameter it begins at what they gave, so that nothing dips.
     *
     * @param list<string> $keys of the lanes that it is to give
     *
     * @return array<string, int> what those gave, by key of the lane
     */
    private function replaced(Look $look, array $keys, float $seconds, int $now): array
    {
        $from = [];
        foreach ($this->live as $id => $other) {
            if ($id === $look->id || $other->look->set !== $look->set) {
                continue;
            }
            $from += array_intersect_key($other->playback->given(), array_flip($keys));
            $this->release((string) $id, $now, $seconds);
            $other->playback->end($keys);
            $this->lay($other, $now);
        }

        return $from;
    }

    private function lay(LiveLook $live, int $now): void
    {
        $this->giving->lay($live->playback, $now);
        $id = $live->look->id;
        if ($live->level <= 0.0 && $live->playback->isOver()) {
            unset($this->live[$id]);
            ++$this->acts;
        }
        if (isset($this->live[$id]) && ($live->endsAt !== null || $live->playback->isBusy())) {
            $this->busy[$id] = $live;
        } else {
            unset($this->busy[$id]);
        }
    }

    /** @return bool whether that is otherwise than before */
    private function scale(LiveLook $live): bool
    {
        $share = max(0.0, min(self::FULL, $live->level + $live->modulation)) / self::FULL;
        $left = $this->masters->before()->overLook($live->look->id);
        $live->playback->call("Look \"{$live->look->name}\"".self::scaled($share, $left));

        // What goes out is scaled as it was: it goes to what is there without it.
        return $live->level > 0.0 && $live->playback->scale($share * $left, $share);
    }

    /** What its level and masters make of it, in words; '' for nothing. */
    private static function scaled(float $share, float $left): string
    {
        $level = $share < 1.0 ? ' at '.round(self::FULL * $share, 1).' %' : '';

        return $level.($left < 1.0 ? ', masters leave '.round(self::FULL * $left, 1).' % of its light' : '');
    }

    private function tell(LiveLook $live, float $level): void
    {
        $before = $live->level;
        $live->level = $level;
        $parts = ['' => [$level, $before], '/active' => [(int) ($level > 0.0), (int) ($before > 0.0)]];
        foreach ($before === $level ? [] : $parts as $part => [$is, $was]) {
            $reference = Reference::parse("look:{$live->look->id}{$part}");
            if ($reference !== null && $is !== $was) {
                ($this->changed)($reference, $is, $was);
            }
        }
    }
}
