<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timeline;

use NimbleJunction\Core\Live\Points\PlanRoom;
use NimbleJunction\Core\Live\Recording\Recorder;
use NimbleJunction\Core\Live\Recording\RecordingPlan;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Timeline\Kind\LevelTrack;
use NimbleJunction\Core\Timeline\Timelines as Document;

/** Timelines as points: where they are, whether they run, how fast, in which section; and what can be pressed. */
final class TimelinePoints extends PlanRoom
{
    public function __construct(private readonly Timelines $timelines, private readonly Recorder $recorder)
    {
        parent::__construct();
    }

    public function kinds(): array
    {
        return ['timeline'];
    }

    public function notice(): Notice
    {
        return Notice::Told;
    }

    public function describe(Reference $reference): ?Point
    {
        $timeline = $this->plan->timelines->timelines[$reference->id] ?? null;
        if ($timeline === null || ! $this->plan->timelines->has($reference)) {
            return null;
        }
        $name = ucfirst($this->plan->timelines->said($reference));
        $unit = $timeline->unit === 'beats' ? 'beats' : 's';

        return match ($reference->part) {
            '' => new Point(
                $reference,
                $name,
                PointKind::Number,
                0.0,
                $timeline->score->ends,
                $unit,
                isSet: true,
                isPressed: true,
            ),
            'position' => new Point($reference, $name, PointKind::Number, 0.0, $timeline->score->ends, $unit, isSet: true),
            'rate' => new Point(
                $reference,
                $name,
                PointKind::Number,
                Timelines::LOWEST_RATE,
                Timelines::HIGHEST_RATE,
                isSet: true,
            ),
            'running', 'loop', 'round', 'record' => new Point($reference, $name, PointKind::Switch, isSet: true, isPressed: true),
            'section' => new Point($reference, $name, PointKind::Text),
            default => new Point($reference, $name, PointKind::Press, isPressed: true),
        };
    }

    public function read(Reference $reference): int|float|string|null
    {
        $live = $this->timelines->of($reference->id);

        return match (true) {
            $live === null => null,
            \in_array($reference->part, ['', 'position'], true) => round($live->seenAt, 3),
            $reference->part === 'running' => (int) $live->isPlaying,
            $reference->part === 'loop' => (int) $live->loops(),
            $reference->part === 'round' => (int) ($live->round !== null),
            $reference->part === 'record' => (int) $this->isRecorded($reference->id),
            $reference->part === 'rate' => $live->rate,
            $reference->part === 'section' => $live->section(),
            default => null,
        };
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $id = $reference->id;

        return match (true) {
            ! is_numeric($value) => 'it is a number',
            \in_array($reference->part, ['', 'position'], true) => $this->timelines->jump($id, (float) $value, $now),
            $reference->part === 'rate' => $this->timelines->setRate($id, (float) $value, $now),
            $reference->part === 'running' => (float) $value > 0.0
                ? $this->timelines->play($id, $now)
                : $this->timelines->pause($id, $now),
            $reference->part === 'loop' => $this->timelines->setLoop($id, (float) $value > 0.0),
            $reference->part === 'round' => $this->timelines->setRound($id, (float) $value > 0.0, $now),
            $reference->part === 'record' => $this->record($id, (float) $value > 0.0, $now),
            $reference->part === 'section' => 'it says in which section that is, and cannot be set',
            // A button that is set to 1 is pressed; as it comes up nothing happens.
            default => (float) $value > 0.0 ? $this->press($reference, $act, $now) : '',
        };
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        $id = $reference->id;
        $live = $this->timelines->of($id);

        return match ($reference->part) {
            '', 'running' => $live?->isPlaying === true ? $this->timelines->pause($id, $now) : $this->timelines->play($id, $now),
            'play' => $this->timelines->play($id, $now),
            'pause' => $this->timelines->pause($id, $now),
            'stop' => $this->timelines->stop($id, $now),
            'loop' => $this->timelines->setLoop($id, $live?->loops() !== true),
            'round' => $this->timelines->setRound($id, $live?->round === null, $now),
            'record' => $this->record($id, ! $this->isRecorded($id), $now),
            'next', 'previous' => $this->timelines->toMarker($id, $reference->part === 'next', $now),
            default => 'it can be set, and not pressed',
        };
    }

    public function letGo(Reference $reference, string $owner, int $now): string
    {
        return $this->timelines->stop($reference->id, $now);
    }

    private function isRecorded(string $id): bool
    {
        return $this->recorder->isAtWork() && $this->recorder->plan?->timeline === $id;
    }

    /** By a foot switch: as it was recorded last, or all levels that are not locked. */
    private function record(string $id, bool $isOn, int $now): string
    {
        if (! $isOn || $this->isRecorded($id)) {
            return $isOn || ! $this->isRecorded($id) ? '' : $this->recorder->stop($now);
        }
        if ($this->recorder->state === 'done') {
            return 'a recording waits: keep it, or throw it away';
        }
        $points = [];
        foreach ($this->plan->timelines->timelines[$id]->tracks ?? [] as $track) {
            $point = $track->does instanceof LevelTrack && ! $track->locked ? $track->does->point : null;
            $points = $point === null ? $points : [...$points, $point];
        }

        return $this->recorder->start($this->recorder->lastFor($id) ?? new RecordingPlan($id, $points), $now);
    }

    public function all(): iterable
    {
        foreach (array_keys($this->plan->timelines->timelines) as $id) {
            foreach (Document::PARTS as $part) {
                $reference = Reference::parse("timeline:{$id}".($part === '' ? '' : "/{$part}"));
                if ($reference !== null) {
                    yield $reference;
                }
            }
        }
    }
}
