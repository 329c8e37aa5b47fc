<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timeline;

use NimbleJunction\Core\Live\Programme\Giving;
use NimbleJunction\Core\Live\Programme\Tempos;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Timeline\BeatsPace;
use NimbleJunction\Core\Timeline\MapPace;
use NimbleJunction\Core\Timeline\Pace;
use NimbleJunction\Core\Timeline\SecondsPace;
use NimbleJunction\Core\Timeline\Timeline;

/** Timelines at work: played, paused, stopped, jumped in, looped; one frame after the other, as long as one of them plays. */
final class Timelines
{
    public const LOWEST_RATE = 0.1;
    public const HIGHEST_RATE = 4.0;

    /** A moment that is so near has come: its time is rounded to nanoseconds. */
    private const SOON = 2e-9;

    /** So many moments come within one waking; more wait for the next. Our own limit. */
    private const MOST_AT_ONCE = 500;

    /** @var array<string, LiveTimeline> by id */
    private array $live = [];

    private readonly Nested $nested;

    /** Counted on with whatever has to be kept over a restart. */
    public int $acts = 0;

    /**
     * @param \Closure(Reference, int|float|string|null, int|float|string|null): void $changed a point has another value, and
     * had this one
     */
    public function __construct(
        private readonly Setting $setting,
        private readonly Chase $chase,
        private readonly Tempos $tempos,
        private readonly \Closure $changed,
    ) {
        $this->nested = new Nested($this);
    }

    /** @return array<string, LiveTimeline> by id */
    public function live(): array
    {
        return $this->live;
    }

    public function of(string $id): ?LiveTimeline
    {
        return $this->live[$id] ?? null;
    }

    /** Timelines go on by the show of now: where each is stays. */
    public function goOnBy(Plan $plan, int $now): void
    {
        $before = $this->live;
        $this->live = [];
        foreach ($plan->timelines->timelines as $id => $timeline) {
            $live = $before[$id] ?? new LiveTimeline($timeline, $this->pace($timeline));
            $this->live[$id] = $live;
            if ($live->timeline === $timeline) {
                continue;
            }
            if ($live->isPlaying) {
                // What has come by now, and was not looked at yet, is not lost by an edit.
                $this->goOnOne($live, $now);
            }
            $at = $live->pace->at($now);
            if ([
                $live->timeline->unit,
                $live->timeline->tempo,
                $live->timeline->changes,
            ] != [$timeline->unit, $timeline->tempo, $timeline->changes]) {
                $live->pace = $this->pace($timeline);
                $live->run($live->isPlaying, $now);
            }
            $this->setting->endOpen($live);
            $this->setting->leave($live, $timeline->score, $now);
            $live->timeline = $timeline;
            $live->place($at, $now);
            if ($live->isPlaying) {
                $live->next = $timeline->score->placeAt($at + 2 * self::SOON);
            }
            if ($live->isOn) {
                $this->setting->bring($live, $now);
            }
        }
    }

    public function play(string $id, int $now): string
    {
        $live = $this->live[$id] ?? null;
        if ($live === null) {
            return 'there is no such timeline';
        }
        if ($live->isPlaying) {
            return '';
        }
        $this->leaveOthers($live, $now);
        $at = $live->pace->at($now);
        $isAtEnd = $at >= $live->timeline->score->ends;
        $wasOn = $live->isOn;
        $live->isOn = true;
        $live->run(true, $now);
        if ($isAtEnd) {
            $this->jump($id, 0.0, $now);
        } elseif (! $wasOn) {
            $live->place($at, $now);
            $this->chase->chase($live, null, $now);
        }
        $this->nested->goAlong($live, $now);
        ++$this->acts;
        $this->told($live, 'running', 1, 0);

        return '';
    }

    /** It stands, and its levels stay. */
    public function pause(string $id, int $now): string
    {
        $live = $this->live[$id] ?? null;
        if ($live === null) {
            return 'there is no such timeline';
        }
        if ($live->isPlaying) {
            $this->goOnOne($live, $now);
            $this->setting->endOpen($live);
            $live->run(false, $now);
            $this->nested->goAlong($live, $now);
            ++$this->acts;
            $this->told($live, 'running', 0, 1);
        }

        return '';
    }

    /** What it gives goes, and it is at its beginning. */
    public function stop(string $id, int $now): string
    {
        $live = $this->live[$id] ?? null;
        if ($live === null) {
            return 'there is no such timeline';
        }
        $wasPlaying = $live->isPlaying;
        $live->run(false, $now);
        $live->isOn = false;
        $this->setting->endOpen($live);
        $this->setting->release($live, $now);
        $this->nested->goAlong($live, $now);
        $this->move($live, 0.0, $now);
        ++$this->acts;
        $this->told($live, 'running', 0, (int) $wasPlaying);

        return '';
    }

    /** It is somewhere else at once, and so is all that it gives. */
    public function jump(string $id, float $to, int $now): string
    {
        $live = $this->live[$id] ?? null;
        if ($live === null) {
            return 'there is no such timeline';
        }
        $this->leaveOthers($live, $now);
        $before = $live->pace->at($now);
        $to = max(0.0, min($live->timeline->score->ends, $to));
        $wasOn = $live->isOn;
        $live->isOn = true;
        $this->setting->endOpen($live);
        $this->move($live, $to, $now);
        $this->chase->chase($live, $to > $before || ! $wasOn ? ($wasOn ? $before : 0.0) : null, $now);
        $this->nested->goAlong($live, $now);
        ++$this->acts;

        return '';
    }

    /** To the next marker, or the one before. */
    public function toMarker(string $id, bool $isNext, int $now): string
    {
        $live = $this->live[$id] ?? null;
        $at = $live?->pace->at($now) ?? 0.0;
        $places = array_map(static fn($marker): float => $marker->at, $live?->markers() ?? []);
        // Just behind a marker the one before that is meant.
        $found = $isNext
            ? array_filter($places, static fn(float $one): bool => $one > $at + 0.001)
            : array_filter($places, static fn(float $one): bool => $one < $at - 0.5);
        if ($live === null || ($isNext && $found === [])) {
            return $live === null ? 'there is no such timeline' : 'there is no marker behind this place';
        }

        return $this->jump($id, $isNext ? min([\INF, ...$found]) : max([0.0, ...$found]), $now);
    }

    public function setRate(string $id, float $rate, int $now): string
    {
        $live = $this->live[$id] ?? null;
        if ($live === null) {
            return 'there is no such timeline';
        }
        $before = $live->rate;
        $live->rate = max(self::LOWEST_RATE, min(self::HIGHEST_RATE, $rate));
        $live->run($live->isPlaying, $now);
        ++$this->acts;
        $this->told($live, 'rate', $live->rate, $before);

        return '';
    }

    public function setLoop(string $id, bool $loops): string
    {
        $live = $this->live[$id] ?? null;
        if ($live === null) {
            return 'there is no such timeline';
        }
        $before = $live->loops();
        $live->loops = $loops;
        ++$this->acts;
        $this->told($live, 'loop', (int) $live->loops(), (int) $before);

        return '';
    }

    /** The section that it is in goes round and round; or not any more. */
    public function setRound(string $id, bool $isOn, int $now): string
    {
        $live = $this->live[$id] ?? null;
        if ($live === null) {
            return 'there is no such timeline';
        }
        $before = $live->round !== null;
        $bounds = $isOn ? $live->bounds() : null;
        if ($isOn && $bounds === null) {
            return 'it is in no section now: put it into one first';
        }
        $live->round = $bounds;
        ++$this->acts;
        $this->told($live, 'round', (int) $isOn, (int) $before);

        return '';
    }

    /** It is put right by a little: what lies between happens, and no moment comes twice. */
    public function correct(LiveTimeline $live, float $at, int $now): void
    {
        $live->pace->place($at, $now);
        $this->goOnOne($live, $now);
    }

    /** When goOn() must be called next. */
    public function dueAt(int $lastFrame): int
    {
        $due = \PHP_INT_MAX;
        foreach ($this->live as $live) {
            if ($live->isPlaying) {
                $due = min($due, $this->dueOf($live, $lastFrame));
            }
        }

        return $due;
    }

    /** @return int when the next moment of those that play comes; PHP_INT_MAX for none */
    public function momentAt(): int
    {
        $at = \PHP_INT_MAX;
        foreach ($this->live as $live) {
            $next = $live->isPlaying ? $live->timeline->score->dues[$live->next] ?? null : null;
            $at = $next === null ? $at : min($at, $live->pace->when($next->at));
        }

        return $at;
    }

    /** A frame: what plays goes on. */
    public function goOn(int $now): void
    {
        foreach ($this->live as $live) {
            if ($live->isPlaying) {
                $this->goOnOne($live, $now);
            }
        }
    }

    /**
     * It is put back where it was, or would be by now, with what it has set; what would have happened meanwhile is set, and
     * not sent.
     */
    public function putBack(LiveTimeline $live, float $at, bool $isOn, bool $isPlaying, int $now): void
    {
        $live->isOn = $isOn;
        $live->run($isPlaying && $isOn, $now);
        $live->place($at, $now);
        if ($isOn) {
            $this->chase->chase($live, null, $now);
        }
        ++$this->acts;
    }

    private function pace(Timeline $timeline): Pace
    {
        $map = $timeline->unit === 'beats' ? $timeline->tempoMap() : null;
        if ($map !== null) {
            return new MapPace($map);
        }
        $tempo = $timeline->unit === 'beats' ? $this->tempos->of($timeline->tempo) : null;

        return $tempo === null ? new SecondsPace() : new BeatsPace($tempo->clock);
    }

    /** Of a group one plays at a time. */
    private function leaveOthers(LiveTimeline $live, int $now): void
    {
        $group = $live->timeline->group;
        foreach ($group === '' ? [] : $this->live as $id => $other) {
            if ($other !== $live && $other->isOn && $other->timeline->group === $group) {
                $this->stop((string) $id, $now);
            }
        }
    }

    private function move(LiveTimeline $live, float $to, int $now): void
    {
        $before = $live->seenAt;
        $live->place($to, $now);
        $this->told($live, 'position', $to, $before);
    }

    private function dueOf(LiveTimeline $live, int $lastFrame): int
    {
        $score = $live->timeline->score;
        $due = min($lastFrame + Giving::FRAME_NANOS, $live->pace->when($live->turnsAt()));
        $next = $score->dues[$live->next] ?? null;

        return $next === null ? $due : min($due, $live->pace->when($next->at));
    }

    private function goOnOne(LiveTimeline $live, int $now): void
    {
        $before = $live->seenAt;
        $at = $live->pace->at($now);
        $score = $live->timeline->score;
        for ($left = self::MOST_AT_ONCE; $left > 0; --$left) {
            $next = $score->dues[$live->next] ?? null;
            $turnsAt = $live->turnsAt();
            // What goes round ends before what stands where it ends.
            $isReached = $next !== null
                && ($live->goesRound()
                    ? $next->at < min($at + self::SOON, $turnsAt - self::SOON)
                    : $next->at <= min($at, $turnsAt) + self::SOON);
            if ($isReached) {
                ++$live->next;
                $this->setting->reach($live, $next);
            } elseif ($at >= $turnsAt - self::SOON && $live->turns()) {
                $this->setting->endOpen($live);
                $to = $live->turnsTo();
                $at = $to + max(0.0, $at - $turnsAt);
                $live->place($at, $now);
                $live->next = $score->placeAt($to);
            } else {
                break;
            }
        }
        $live->seenAt = min($at, $score->ends);
        $this->setting->bring($live, $now);
        $this->nested->goAlong($live, $now);
        $this->told($live, 'position', $live->seenAt, $before);
        if ($at >= $score->ends - self::SOON && ! $live->loops() && $live->next >= \count($score->dues)) {
            $live->place($score->ends, $now);
            $live->next = \count($score->dues);
            $this->setting->endOpen($live);
            $live->run(false, $now);
            ++$this->acts;
            $this->told($live, 'running', 0, 1);
            if ($live->timeline->end === 'release') {
                $this->stop($live->timeline->id, $now);
            }
        }
    }

    private function told(LiveTimeline $live, string $part, int|float $is, int|float $was): void
    {
        foreach ($part === 'position' ? ['', '/position'] : ["/{$part}"] as $behind) {
            $reference = $is === $was ? null : Reference::parse("timeline:{$live->timeline->id}{$behind}");
            if ($reference !== null) {
                ($this->changed)($reference, $is, $was);
            }
        }
    }
}
