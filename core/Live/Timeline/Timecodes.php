<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timeline;

use NimbleJunction\Core\Live\Points\PlanRoom;
use NimbleJunction\Core\Message\TimeCode as Said;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Timeline\Timelines as Document;
use NimbleJunction\Core\Wire\OutOfRange;
use NimbleJunction\Core\Wire\TimeCode;

/** Time codes of the show, and the timelines that follow them. */
final class Timecodes extends PlanRoom
{
    private const DAY = 86_400.0;

    /** A timeline may be so many frames away from its time code before it jumps there. */
    private const SLIP_FRAMES = 6.0;

    /** @var array<string, LiveTimecode> by id */
    private array $live = [];

    private int $seenAt = 0;
    private readonly Following $following;

    /** @param \Closure(Reference, int|float|string|null, int|float|string|null): void $changed a point has another value, and had this one */
    public function __construct(private readonly Timelines $timelines, private readonly \Closure $changed)
    {
        parent::__construct();
        $this->following = new Following($timelines);
    }

    public function adopt(Plan $plan): void
    {
        parent::adopt($plan);
        $live = [];
        foreach ($plan->timelines->timecodes as $id => $timecode) {
            $live[$id] = $this->live[$id] ?? new LiveTimecode($timecode);
            $live[$id]->timecode = $timecode;
        }
        $this->live = $live;
    }

    /** @return array<string, LiveTimecode> by id */
    public function live(): array
    {
        return $this->live;
    }

    /** Time code has come in at a port. */
    public function heard(string $portId, Said $message, int $now): void
    {
        foreach ($this->live as $live) {
            if (! \in_array($portId, $live->timecode->from, true)) {
                continue;
            }
            $before = $live->spelled($now);
            $wasRunning = $live->isRunning;
            if ($live->hear($portId, $message, $now)) {
                $this->lead($live, $now);
                $this->tell($live, $before, $wasRunning, $now);
            }
        }
    }

    /** When goOn() must be called next. */
    public function dueAt(): int
    {
        $due = \PHP_INT_MAX;
        foreach ($this->live as $live) {
            $due = min($due, $live->stopsAt(), $live->lostAt());
        }

        return $due;
    }

    /** What was to be heard by now, and was not, is lost. */
    public function goOn(int $now): void
    {
        $this->seenAt = $now;
        foreach ($this->live as $live) {
            $before = $live->spelled($now);
            if ($live->stopsAt() <= $now) {
                $live->stop($now);
                $live->look($now);
                $this->lead($live, $now);
                $this->tell($live, $before, true, $now);
            } elseif ($live->lostAt() <= $now) {
                $live->isCarriedOn = true;
                $live->look($now);
            }
        }
    }

    public function kinds(): array
    {
        return ['timecode'];
    }

    public function notice(): Notice
    {
        return Notice::Told;
    }

    public function describe(Reference $reference): ?Point
    {
        if (! $this->plan->timelines->has($reference)) {
            return null;
        }
        $name = ucfirst($this->plan->timelines->said($reference));

        return match ($reference->part) {
            'seconds' => new Point($reference, $name, PointKind::Number, 0.0, self::DAY, 's'),
            'running' => new Point($reference, $name, PointKind::Switch),
            default => new Point($reference, $name, PointKind::Text),
        };
    }

    public function read(Reference $reference): int|float|string|null
    {
        $live = $this->live[$reference->id] ?? null;

        return match (true) {
            $live === null => null,
            $reference->part === 'seconds' => round($live->at($this->seenAt), 3),
            $reference->part === 'running' => (int) $live->isRunning,
            default => $live->spelled($this->seenAt),
        };
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        return 'it follows its ports, and cannot be set';
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        return 'it follows its ports, and cannot be pressed';
    }

    public function all(): iterable
    {
        foreach (array_keys($this->live) as $id) {
            foreach (Document::TIMECODE_PARTS as $part) {
                $reference = Reference::parse("timecode:{$id}".($part === '' ? '' : "/{$part}"));
                if ($reference !== null) {
                    yield $reference;
                }
            }
        }
    }

    /** Timelines that follow it go where it is. */
    private function lead(LiveTimecode $live, int $now): void
    {
        foreach ($this->timelines->live() as $timeline) {
            if ($timeline->timeline->timecode === $live->timecode->id) {
                $at = $live->at($now) - self::beginning($timeline->timeline->startsAt, $live);
                $at = fmod($at + 1.5 * self::DAY, self::DAY) - self::DAY / 2.0;
                $this->following->follow($timeline, $at < -1e-6 ? null : max(0.0, $at), $live->isRunning, self::SLIP_FRAMES * $live->frame(), $now);
            }
        }
    }

    /** @return float seconds since midnight at which a timeline begins, at the rate that arrives */
    private static function beginning(string $text, LiveTimecode $live): float
    {
        [$hours, $minutes, $seconds, $frames] = array_map(intval(...), preg_split('/[:;]/', $text) ?: []) + [0, 0, 0, 0];
        try {
            return TimeCode::of($live->rate, $hours, $minutes, $seconds, min($frames, $live->rate->counted() - 1))->toNanos() / 1e9;
        } catch (OutOfRange) {
            // Drop frame leaves this one out: the next one it has.
            return TimeCode::of($live->rate, $hours, $minutes, $seconds, 2)->toNanos() / 1e9;
        }
    }

    private function tell(LiveTimecode $live, string $before, bool $wasRunning, int $now): void
    {
        $this->seenAt = $now;
        foreach (['' => [$live->spelled($now), $before], '/running' => [(int) $live->isRunning, (int) $wasRunning]] as $part => [$is, $was]) {
            $reference = $is === $was ? null : Reference::parse("timecode:{$live->timecode->id}{$part}");
            if ($reference !== null) {
                ($this->changed)($reference, $is, $was);
            }
        }
    }
}
