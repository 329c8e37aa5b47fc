<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Programme;

use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Programme\Cue;
use NimbleJunction\Core\Programme\Follow\BeatFollow;
use NimbleJunction\Core\Programme\KeptPlayback;
use NimbleJunction\Core\Programme\Times;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\State\Stored;

/** Cue lists: go, back, jump, pause, stop, release, and what follows by itself. */
final class Lists
{
    public const LOWEST_RATE = 0.05;
    public const HIGHEST_RATE = 20.0;

    /** A beat that is so near has come: its time is rounded to nanoseconds. */
    private const SOON = 1e-6;

    /** So many cues follow each other within one waking; more wait for the next. Our own limit. */
    private const MOST_AT_ONCE = 100;

    /** What a cue does besides is left out where its time was so long ago: after a restart levels count, and no messages. */
    private const PAST_NANOS = 1_000_000_000;

    /** @var array<string, LiveList> by id */
    private array $live = [];

    /** @var array<string, LiveList> those of them that move, wait, or go on by themselves: all others cost nothing */
    private array $busy = [];

    private Plan $plan;

    /** Counted on with whatever has to be kept. */
    public int $acts = 0;

    /**
     * @param \Closure(LiveList, string): void $changed a list is in another cue, and was in this one; or it runs, or stands
     * @param \Closure(Event): void $happened
     */
    public function __construct(
        private readonly Giving $giving,
        private readonly Masters $masters,
        private readonly Common $common,
        private readonly Tempos $tempos,
        private readonly \Closure $changed,
        private readonly \Closure $happened,
    ) {
        $this->plan = Plan::empty();
    }

    /** @return array<string, LiveList> those that are in a cue, or have one loaded, by id */
    public function live(): array
    {
        return $this->live;
    }

    public function of(string $id): ?LiveList
    {
        return $this->live[$id] ?? null;
    }

    /** @return int|null the place of the cue that goes next; null for none */
    public function nextOf(string $id): ?int
    {
        $list = $this->plan->programme->lists[$id] ?? null;

        return $list === null ? null : ($this->live[$id] ?? LiveList::of($list))->next();
    }

    /** Lists go on by the show of now: their cue goes to where it says, and nothing begins anew. */
    public function goOnBy(Plan $plan, int $now): void
    {
        $this->plan = $plan;
        foreach ($this->live as $id => $live) {
            $list = $plan->programme->lists[$id] ?? null;
            if ($list === null) {
                unset($this->live[$id], $this->busy[$id]);

                continue;
            }
            $live->list = $list;
            $live->playback->rank($list->priority);
            $place = $live->place();
            $targets = match (true) {
                ! $live->isOn => [],
                $place === null => $this->giving->asItStands($live->playback),
                default => $this->giving->targets($list->valuesAt($place, $plan->programme->looks)),
            };
            $live->playback->aim($targets, $this->giving->lanes(), $this->giving->merged(), $now);
            $this->scale($live);
            $this->lay($live, $now);
        }
    }

    /** The next cue, or the one that is loaded. @return string why not; '' when it goes */
    public function go(string $id, int $now, ?Times $times = null): string
    {
        $live = $this->prepared($id);
        $next = $live?->next();
        if ($live === null || $next === null) {
            return $live === null ? 'there is no such list' : 'there is no next cue';
        }
        $this->resume($id, $now);
        if ($live->list->end === 'bounce' && $live->place() !== null) {
            $live->way = $next < $live->place() ? -1 : 1;
        }
        $this->run($live, $next, $now, $times);

        return '';
    }

    /** The cue before. */
    public function back(string $id, int $now): string
    {
        $live = $this->live[$id] ?? null;
        $place = $live?->previous();
        if ($live === null || $place === null) {
            return 'there is no cue before';
        }
        $this->resume($id, $now);
        $this->run($live, $place, $now);

        return '';
    }

    public function jump(string $id, string $number, int $now, ?Times $times = null): string
    {
        $live = $this->prepared($id);
        $place = $live?->list->place($number);
        if ($live === null || $place === null) {
            return $live === null ? 'there is no such list' : "it has no cue {$number}";
        }
        $this->resume($id, $now);
        $this->run($live, $place, $now, $times);

        return '';
    }

    /** A cue stands by: it goes next. */
    public function load(string $id, string $number): string
    {
        $live = $this->prepared($id);
        if ($live?->list->place($number) === null) {
            return $live === null ? 'there is no such list' : "it has no cue {$number}";
        }
        $live->loaded = $number;
        ++$this->acts;

        return '';
    }

    /** Its time stands: fades, and what follows. */
    public function pause(string $id, int $now): string
    {
        $live = $this->live[$id] ?? null;
        if ($live === null || ! $live->isOn) {
            return 'it is in no cue';
        }
        if (! $live->isPaused) {
            $live->isPaused = true;
            $live->playback->clock->run(0.0, $now);
            ++$this->acts;
            ($this->changed)($live, $live->current);
        }

        return '';
    }

    public function resume(string $id, int $now): string
    {
        $live = $this->live[$id] ?? null;
        if ($live?->isPaused === true) {
            $live->isPaused = false;
            $live->playback->clock->run($live->rate, $now);
            ++$this->acts;
            ($this->changed)($live, $live->current);
        }

        return '';
    }

    /** As pause; and nothing follows by itself any more. */
    public function stop(string $id, int $now): string
    {
        $refusal = $this->pause($id, $now);
        if ($refusal === '') {
            $this->live[$id]->disarm();
        }

        return $refusal;
    }

    /** It goes, to what is there without it; the first cue is next. */
    public function release(string $id, int $now): string
    {
        $live = $this->live[$id] ?? null;
        if ($live === null) {
            return '';
        }
        $this->resume($id, $now);
        $before = $live->current;
        $live->isOn = false;
        $live->current = $live->loaded = '';
        $live->way = 1;
        $live->disarm();
        $live->wentAt = $live->playback->clock->at($now);
        $live->completeAt = $live->wentAt + (int) round($this->common->seconds() * 1e9);
        $live->playback->release($this->common->seconds(), $now);
        $this->lay($live, $now);
        ++$this->acts;
        if ($before !== '') {
            ($this->changed)($live, $before);
        }

        return '';
    }

    public function releaseAll(int $now): void
    {
        foreach (array_keys($this->live) as $id) {
            $this->release((string) $id, $now);
        }
    }

    /** @param float $rate 1 as the cues say */
    public function setRate(string $id, float $rate, int $now): string
    {
        $live = $this->prepared($id);
        if ($live === null) {
            return 'there is no such list';
        }
        $live->rate = max(self::LOWEST_RATE, min(self::HIGHEST_RATE, $rate));
        if (! $live->isPaused) {
            $live->playback->clock->run($live->rate, $now);
        }
        ++$this->acts;

        return '';
    }

    /** Masters over lists are otherwise. */
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
            if ($live->followsBeat !== null && ! $live->isPaused) {
                $due = min($due, $this->tempos->of($live->followsTempo)?->clock->when($live->followsBeat) ?? \PHP_INT_MAX);
            }
            $due = min($due, $live->playback->dueAt($lastFrame + Giving::FRAME_NANOS, $live->followsAt));
        }

        return $due;
    }

    /** @return int when a cue goes by itself next, for it comes after a time; PHP_INT_MAX for none */
    public function followsAt(): int
    {
        return min([\PHP_INT_MAX, ...array_map(static fn(LiveList $live): int => $live->followsOn(), array_values($this->busy))]);
    }

    /** A frame: what moves goes on, what follows goes. */
    public function goOn(int $now): void
    {
        foreach ($this->busy as $live) {
            $this->followBeat($live, $now);
            $clock = $live->playback->clock;
            for ($i = 0; $i < self::MOST_AT_ONCE && $live->followsAt !== null && $live->followsAt <= $clock->at($now); ++$i) {
                $asOf = min($now, $clock->when($live->followsAt));
                $live->followsAt = null;
                $next = $live->next();
                if ($next !== null) {
                    $this->run($live, $next, $asOf, null, $now - $asOf <= self::PAST_NANOS);
                }
            }
            if ($live->playback->isDue($now)) {
                $this->lay($live, $now);
            }
        }
    }

    /**
     * A list goes on as it was kept, where there is still one.
     *
     * @param int $away nanoseconds since it was written down
     */
    public function putBack(string $id, Stored $stored, int $now, int $away): void
    {
        $list = $this->plan->programme->lists[$id] ?? null;
        if ($list === null) {
            return;
        }
        $live = LiveList::of($list);
        KeptPlayback::restore($stored->part('playback'), $live->playback, $this->giving->lanes(), $now, $away);
        $live->resume($stored, $now, $away);
        $this->live[$id] = $live;
        $this->scale($live);
        $this->lay($live, $now);
    }

    private function run(LiveList $live, int $place, int $now, ?Times $times = null, bool $isHeard = true): void
    {
        $cue = $live->list->cues[$place];
        $looks = $this->plan->programme->looks;
        $times ??= $cue->times($this->common->seconds());
        $all = $this->giving->targets($live->list->valuesAt($place, $looks));
        $own = $live->list->tracking ? $this->giving->targets($live->list->ownValues($cue, $looks)) : $all;
        $going = $cue->assert || ! $live->isOn ? $all : $own + array_diff_key($all, array_flip($live->playback->keys(true)));
        foreach (array_diff_key($all, $going) as $key => $target) {
            if ($live->playback->aimOf($key) !== $target->value) {
                $going[$key] = $target;
            }
        }
        $before = $live->current;
        $live->current = $cue->number;
        $live->loaded = '';
        $live->isOn = true;
        $this->scale($live);
        $live->playback->leave(array_values(array_diff($live->playback->keys(true), array_keys($all))), $times, $now);
        $live->playback->go($going, $times, $this->giving->merged(), $now);
        $live->wentAt = $live->playback->clock->at($now);
        $live->completeAt = $live->wentAt + $times->longest();
        $live->arm($cue, $cue->follow instanceof BeatFollow ? $this->tempos->of($cue->follow->tempo) : null, $now);
        $this->lay($live, $now);
        ++$this->acts;
        if ($isHeard) {
            $this->giving->setOthers(
                $live->list->ownValues($cue, $looks),
                new Act($live->playback->owner, $live->playback->name()),
                $now,
            );
            ($this->happened)($live->list->gone($cue));
        }
        ($this->changed)($live, $before);
    }

    /** Where its tempo has come to the beat on which the next one goes, it goes. */
    private function followBeat(LiveList $live, int $now): void
    {
        $tempo = $live->followsBeat === null || $live->isPaused ? null : $this->tempos->of($live->followsTempo);
        $next = $live->next();
        if ($tempo === null || $tempo->clock->at($now) < $live->followsBeat - self::SOON) {
            return;
        }
        $live->disarm();
        if ($next !== null) {
            $this->run($live, $next, $now);
        }
    }

    private function prepared(string $id): ?LiveList
    {
        $list = $this->plan->programme->lists[$id] ?? null;

        return $list === null ? null : $this->live[$id] ??= LiveList::of($list);
    }

    private function lay(LiveList $live, int $now): void
    {
        $this->giving->lay($live->playback, $now);
        if ($live->followsAt !== null || $live->followsBeat !== null || $live->playback->isBusy()) {
            $this->busy[$live->list->id] = $live;
        } else {
            unset($this->busy[$live->list->id]);
        }
    }

    /** @return bool whether that is otherwise than before */
    private function scale(LiveList $live): bool
    {
        $left = $this->masters->before()->overList($live->list->id);
        $live->playback->call("List \"{$live->list->name}\"".($live->current === '' ? '' : ", cue {$live->current}")
            .($left < 1.0 ? ', masters leave '.round(100 * $left, 1).' % of its light' : ''));

        return $live->playback->scale($left, 1.0);
    }
}
