<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Recording;

use NimbleJunction\Core\Live\Timeline\LiveTimeline;
use NimbleJunction\Core\Live\Timeline\Timelines;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Timeline\Kind\LevelTrack;

/**
 * Points that are moved by hand are written down along a timeline: what they are, whoever moves them, 100 times a second.
 *
 * While a point is written its own track leaves it alone; as soon as it is not, the track has it again.
 */
final class Recorder
{
    private const EVERY_NANOS = 10_000_000;
    private const MOST_POINTS = 64;

    /** More than an hour of ten points that never stand still. */
    private const MOST_SAMPLES = 1_000_000;

    /** It was put somewhere before: another pass begins. */
    private const BACK = 0.001;

    public ?RecordingPlan $plan = null;

    /** off, counting, running, or done: there is something to be kept. */
    public string $state = 'off';
    public int $startsAt = 0;

    /** Why it ended, where nobody ended it. */
    public string $why = '';

    /** @var array<string, RecordedPoint> by reference */
    public array $points = [];

    /** @var list<RecordedPass> that have ended */
    public array $passes = [];
    public int $samples = 0;
    /** @var array<string, RecordingPlan> how each timeline was recorded last, by its id */
    private array $last = [];
    private float $base = 0.0;
    private float $lastPlace = 0.0;
    private int $lookedAt = 0;

    public function __construct(
        private readonly Points $all,
        private readonly Timelines $timelines,
        private readonly Hands $hands,
    ) {
    }

    /** @return string why it cannot; '' when it is armed, and begins after its count-in */
    public function start(RecordingPlan $plan, int $now): string
    {
        if ($this->isAtWork()) {
            return 'something is recorded already: stop that first';
        }
        $live = $this->timelines->of($plan->timeline);
        if ($live === null) {
            return 'there is no such timeline';
        }
        if ($plan->points === [] || \count($plan->points) > self::MOST_POINTS) {
            return 'one to '.self::MOST_POINTS.' points can be armed: choose levels that move something';
        }
        $points = [];
        foreach ($plan->points as $reference) {
            $point = $this->all->describe($reference);
            if ($point === null || ! \in_array($point->kind, [PointKind::Level, PointKind::Number, PointKind::Switch], true)) {
                return "{$reference->text()} has no number that could be recorded";
            }
            $points[$reference->text()] = new RecordedPoint($reference, $point);
        }
        $this->forget();
        $this->plan = $this->last[$plan->timeline] = $plan;
        $this->points = $points;
        $this->startsAt = $now + (int) round($plan->countIn * 1e9);
        $this->base = $live->pace->at($now);
        $this->state = 'counting';
        $this->lookedAt = $now;

        return '';
    }

    /** It ends; what was recorded waits until somebody keeps it or throws it away. */
    public function stop(int $now): string
    {
        if (! $this->isAtWork()) {
            return 'nothing is recorded';
        }
        $this->look($now);
        $this->finish('');

        return '';
    }

    /** What waits is thrown away. */
    public function forget(): void
    {
        $this->letGo();
        $this->state = 'off';
        $this->why = '';
        $this->points = $this->passes = [];
        $this->plan = null;
        $this->samples = 0;
    }

    /**
     * What was recorded before a restart waits.
     *
     * @param list<RecordedPass> $passes
     */
    public function resume(string $timeline, array $passes): void
    {
        if ($this->state !== 'off' || $passes === [] || $this->timelines->of($timeline) === null) {
            return;
        }
        $this->plan = new RecordingPlan($timeline, []);
        $this->passes = $passes;
        $this->why = 'the engine was started anew';
        $this->state = 'done';
    }

    public function lastFor(string $timeline): ?RecordingPlan
    {
        return $this->last[$timeline] ?? null;
    }

    public function isAtWork(): bool
    {
        return $this->state === 'counting' || $this->state === 'running';
    }

    /** The show is another one: what it writes along may be gone. */
    public function adopt(): void
    {
        if ($this->isAtWork() && $this->timelines->of($this->plan->timeline ?? '') === null) {
            $this->finish('its timeline is gone');
        }
    }

    /** When goOn() must be called next. */
    public function dueAt(): int
    {
        return match ($this->state) {
            'counting' => $this->startsAt,
            'running' => $this->lookedAt + self::EVERY_NANOS,
            default => \PHP_INT_MAX,
        };
    }

    public function goOn(int $now): void
    {
        if ($this->dueAt() <= $now) {
            $this->look($now);
        }
    }

    /** The place that is written now, in the timeline's unit. */
    public function place(LiveTimeline $live, int $now): float
    {
        $at = $this->plan?->plays === true ? $live->pace->at($now) : $live->pace->later($this->base, $now - $this->startsAt);

        return max(0.0, $live->pace->later($at, -(int) round(($this->plan->latency ?? 0.0) * 1e9)));
    }

    private function look(int $now): void
    {
        $plan = $this->plan;
        $live = $this->timelines->of($plan->timeline ?? '');
        if ($plan === null || $live === null) {
            return;
        }
        $this->lookedAt = $now;
        if ($this->state === 'counting') {
            if ($now < $this->startsAt) {
                return;
            }
            $this->begin($live, $now);
        }
        if ($plan->plays && ! $live->isPlaying) {
            $this->finish('the timeline does not play any more');

            return;
        }
        $place = $this->place($live, $now);
        if ($place < $this->lastPlace - self::BACK) {
            $this->pass();
        }
        $this->lastPlace = $place;
        $this->hands->lookAnew();
        $given = $this->given($live);
        foreach ($this->points as $text => $point) {
            $value = $this->hands->value($point->reference);
            if ($value !== null) {
                $point->look($value, $given[$text] ?? null, $place, fn(): bool => $this->hands->have($point->reference), $now);
                $this->write($plan, $point, $value, $place, $now);
            }
        }
        $this->silence($live);
        if ($this->samples > self::MOST_SAMPLES) {
            $this->finish('it has become too long: '.self::MOST_SAMPLES.' values');
        }
    }

    private function begin(LiveTimeline $live, int $now): void
    {
        $this->state = 'running';
        $this->all->watcher = function (Reference $reference, Act $act): void {
            $isOurs = str_starts_with($act->owner, "route timeline.{$this->plan?->timeline}.");
            if (! $isOurs && isset($this->points[$reference->text()])) {
                $this->points[$reference->text()]->tell();
            }
        };
        if ($this->plan?->plays === true) {
            $this->timelines->play($live->timeline->id, $now);
        }
        $this->lastPlace = $this->place($live, $now);
    }

    private function write(RecordingPlan $plan, RecordedPoint $point, float $value, float $place, int $now): void
    {
        $isBetween = $place >= $plan->from && ($plan->to === null || $place <= $plan->to);
        $isTouched = $point->touchedAt !== null && $now - $point->touchedAt < $plan->still * 1e9;
        $writes = $isBetween && match ($plan->mode) {
            'erase' => true,
            'overdub' => $point->touchedAt !== null,
            default => $isTouched,
        };
        if ($writes) {
            $point->open ??= new RecordedSpan($place);
            $this->samples += $point->open->add($place, $value);
        } elseif ($point->open !== null) {
            $point->close($this->endOf($point));
        }
    }

    /** Where a span ends: at the last touch, or where it was looked at last. */
    private function endOf(RecordedPoint $point): float
    {
        return $this->plan?->mode === 'touch' ? $point->touchedPlace : $this->lastPlace;
    }

    /** What is written is left alone by its track; what is not any more is the track's again. */
    private function silence(LiveTimeline $live): void
    {
        $live->silent = array_map(
            static fn(): bool => true,
            array_filter($this->points, static fn(RecordedPoint $point): bool => $point->open !== null),
        );
        foreach ($this->tracks($live) as $routeId => $text) {
            if (isset($live->silent[$text])) {
                // The next that it gives is an act of its own.
                unset($live->given[$routeId]);
            }
        }
    }

    /** @return array<string, float> what its tracks give now, by reference */
    private function given(LiveTimeline $live): array
    {
        $given = [];
        foreach ($this->tracks($live) as $routeId => $text) {
            if (isset($live->given[$routeId])) {
                $given[$text] = $live->given[$routeId];
            }
        }

        return $given;
    }

    /** @return array<string, string> what each track moves, by the route that owns it */
    private function tracks(LiveTimeline $live): array
    {
        return array_map(static fn(LevelTrack $track): string => $track->point?->text() ?? '', $live->timeline->score->levels);
    }

    /** It has come back to a place before: what was written so far is a pass of its own. */
    private function pass(): void
    {
        $spans = [];
        foreach ($this->points as $point) {
            $point->close($this->endOf($point));
            foreach ($point->spans as $span) {
                $spans[] = [$point->reference, $point->point, $span];
            }
            $point->spans = [];
        }
        if ($spans !== []) {
            $this->passes[] = new RecordedPass($spans);
        }
    }

    private function finish(string $why): void
    {
        $this->pass();
        $this->letGo();
        $this->why = $why;
        $this->state = $this->passes === [] ? 'off' : 'done';
    }

    private function letGo(): void
    {
        $this->all->watcher = null;
        $live = $this->timelines->of($this->plan->timeline ?? '');
        if ($live !== null) {
            $live->silent = [];
        }
    }
}
