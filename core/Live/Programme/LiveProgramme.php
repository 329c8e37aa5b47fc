<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Programme;

use NimbleJunction\Core\Live\Changes;
use NimbleJunction\Core\Live\Desk\DeskRun;
use NimbleJunction\Core\Live\Recording\Hands;
use NimbleJunction\Core\Live\Recording\KeptRecording;
use NimbleJunction\Core\Live\Recording\Recorder;
use NimbleJunction\Core\Live\Runner;
use NimbleJunction\Core\Live\Sending;
use NimbleJunction\Core\Live\Tape\TapePoints;
use NimbleJunction\Core\Live\Timeline\Chase;
use NimbleJunction\Core\Live\Timeline\KeptTimelines;
use NimbleJunction\Core\Live\Timeline\Setting;
use NimbleJunction\Core\Live\Timeline\TimecodePoints;
use NimbleJunction\Core\Live\Timeline\Timecodes;
use NimbleJunction\Core\Live\Timeline\TimelinePoints;
use NimbleJunction\Core\Live\Timeline\Timelines;
use NimbleJunction\Core\Live\Timetable\LiveTimetable;
use NimbleJunction\Core\Live\Timetable\TimetablePoints;
use NimbleJunction\Core\Live\Universes;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Occurred;
use NimbleJunction\Core\Route\PointChanged;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;

/** Looks, lists, masters and timelines at work: one frame after the other, as long as anything of them moves. */
final class LiveProgramme
{
    /** So many cues follow each other while it is made up for what has passed. Our own limit. */
    private const MOST_FOLLOWING = 1000;

    public readonly Looks $looks;
    public readonly Lists $lists;
    public readonly Masters $masters;
    public readonly Common $common;
    public readonly Tempos $tempos;
    public readonly Waves $waves;
    public readonly Timelines $timelines;
    public readonly Timecodes $timecodes;
    public readonly Recorder $recorder;
    public readonly LiveTimetable $timetable;
    public readonly DeskRun $deskRun;
    public readonly TapePoints $tapes;
    private readonly LookPoints $lookPoints;
    private readonly ListPoints $listPoints;
    private readonly KeptLists $keptLists;
    private readonly TimelinePoints $timelinePoints;
    private readonly TimecodePoints $timecodePoints;
    private readonly KeptTimelines $keptTimelines;
    private readonly KeptRecording $keptRecording;
    private readonly TimetablePoints $timetablePoints;
    private readonly Giving $giving;
    private readonly Moving $moving;
    private Plan $plan;
    private int $lastFrame = 0;

    /** Whether what is recalled now was recalled long ago: then it sends nothing. */
    private bool $isQuiet = false;

    /**
     * @param \Closure(): Changes $changes
     * @param \Closure(): Runner $runner
     * @param \Closure(Event): void $happened
     */
    public function __construct(
        Universes $universes,
        private readonly \Closure $changes,
        Points $points,
        Sending $sending,
        private readonly \Closure $runner,
        private readonly \Closure $happened,
    ) {
        $this->plan = Plan::empty();
        $this->giving = new Giving($universes, $changes, $points);
        $changed = fn(
            Reference $reference,
            int|float|string|null $is,
            int|float|string|null $was,
        ) => ($this->happened)(new PointChanged($reference, $is, $was));
        $this->common = new Common($changed, $this->releaseAll(...), $this->control(...));
        $this->masters = new Masters($universes, $changes, $changed, $this->scaleAll(...));
        $told = fn(Event $event) => $this->isQuiet && $event instanceof Occurred ? null : ($this->happened)($event);
        $this->looks = new Looks($this->giving, $this->masters, $this->common, $changed, $told);
        $this->lookPoints = new LookPoints($this->looks);
        $this->tempos = new Tempos($sending, $changed);
        $this->lists = new Lists($this->giving, $this->masters, $this->common, $this->tempos, $this->listChanged(...), $told);
        $this->listPoints = new ListPoints($this->lists);
        $this->keptLists = new KeptLists($this->lists);
        $this->moving = new Moving($universes, $changes, $this->masters, $this->looks);
        $this->waves = new Waves($this->giving, $this->moving, $this->tempos, $changed);
        $setting = new Setting($points, $runner, $happened);
        $chase = new Chase($setting, $this->quietly(...), $this->looks->claim(...), $this->finish(...));
        $this->timelines = new Timelines($setting, $chase, $this->tempos, $changed);
        $this->keptTimelines = new KeptTimelines($this->timelines);
        $this->recorder = new Recorder($points, $this->timelines, new Hands($points, $universes));
        $this->keptRecording = new KeptRecording($this->recorder, $points);
        $this->timelinePoints = new TimelinePoints($this->timelines, $this->recorder);
        $this->timecodes = new Timecodes($this->timelines, $sending, $changed);
        $this->timecodePoints = new TimecodePoints($this->timecodes);
        $this->deskRun = new DeskRun($runner);
        $this->tapes = new TapePoints();
        $this->timetable = new LiveTimetable($happened, $changed);
        $this->timetablePoints = new TimetablePoints($this->timetable);
        foreach ([
            $this->lookPoints,
            $this->listPoints,
            $this->masters,
            $this->common,
            $this->tempos,
            $this->waves,
            $this->timelinePoints,
            $this->timecodePoints,
            $this->timetablePoints,
            $this->tapes,
        ] as $room) {
            $points->add($room);
        }
    }

    /** @return list<Room> what is kept over a restart as soon as somebody did something */
    public function rooms(): array
    {
        return [
            $this->looks,
            $this->keptLists,
            $this->masters,
            $this->common,
            $this->tempos,
            $this->waves,
            $this->timecodes,
            $this->keptTimelines,
            $this->keptRecording,
            $this->timetable,
        ];
    }

    public function adopt(Plan $plan, int $now): void
    {
        $this->plan = $plan;
        $this->giving->adopt($plan);
        $this->common->adopt($plan);
        $this->listPoints->adopt($plan);
        $this->masters->adopt($plan);
        $this->tempos->adopt($plan);
        $this->timelinePoints->adopt($plan);
        $this->timelines->goOnBy($plan, $now);
        $this->timecodePoints->adopt($plan);
        $this->timecodes->adopt($plan);
        $this->recorder->adopt();
        $this->timetable->adopt($plan, $now);
        $this->deskRun->adopt($plan);
        $this->timetablePoints->adopt($plan);
        $this->lists->goOnBy($plan, $now);
        $this->lookPoints->adopt($plan);
        $this->looks->goOnBy($plan, $now);
        $this->waves->goOnBy($plan, $now);
    }

    /** @param int $away nanoseconds since it was written down */
    public function restore(Stored $stored, int $now, int $away): void
    {
        $this->common->restore($stored->part('programme'));
        $this->masters->restore($stored->part('masters'), $now, $away);
        $this->tempos->restore($stored->part('tempos'), $now, $away);
        $this->keptLists->restore($stored->parts('lists'), $now, $away);
        $this->looks->restore($stored->parts('looks'), $now, $away);
        $this->waves->restore($stored->part('waves'), $now, $away);
        $this->giving->endOthers($this->plan->programme, $this->given());
        $this->timecodes->restore($stored->part('timecodes'), $now, $away);
        $this->keptTimelines->restore($stored->part('timelines'), $now, $away);
        $this->keptRecording->restore($stored->part('recording'));
        $this->timetable->restore($stored->part('timetable'), $now, $away);
    }

    /** @return array<string, array<string, mixed>> what is given now, by owner and universe */
    private function given(): array
    {
        $given = $this->moving->given();
        foreach ([...array_values($this->looks->live()), ...array_values($this->lists->live())] as $live) {
            $given[$live->playback->owner] = $live->playback->strips();
        }

        return $given;
    }

    /** When goOn() must be called next. */
    public function dueAt(): int
    {
        return min($this->frameAt(), $this->recorder->dueAt(), $this->timetable->dueAt(), $this->deskRun->dueAt());
    }

    /**
     * When something is due that has to leave at that very moment: a cue of a timeline, a piece of time code, a tick of a
     * clock.
     */
    public function exactAt(): int
    {
        return min($this->timelines->momentAt(), $this->timecodes->pieceAt(), $this->tempos->dueAt());
    }

    /** When something that moves has its next frame. */
    private function frameAt(): int
    {
        return min(
            $this->tempos->dueAt(),
            $this->timecodes->dueAt(),
            $this->timelines->dueAt($this->lastFrame),
            $this->lists->dueAt($this->lastFrame),
            $this->looks->dueAt($this->lastFrame),
            $this->masters->dueAt($this->lastFrame),
            $this->waves->dueAt($this->lastFrame),
        );
    }

    /** Time has come to $now: tempos, then timelines, lists, looks, masters and waves. */
    public function goOn(int $now): void
    {
        $this->timetable->passes($now);
        $this->tempos->goOn($now);
        // What has a rhythm of its own makes nobody else move more often.
        $this->recorder->goOn($now);
        $this->timetable->goOn($now);
        $this->deskRun->goOn($now);
        if ($this->frameAt() > $now) {
            return;
        }
        $this->lastFrame = $now;
        $this->timecodes->goOn($now);
        $this->timelines->goOn($now);
        $this->lists->goOn($now);
        $this->looks->goOn($now);
        $this->masters->goOn($now);
        $this->waves->goOn($now);
    }

    /** @param \Closure(): void $deed */
    private function quietly(\Closure $deed): void
    {
        $this->isQuiet = true;
        $deed();
        $this->isQuiet = false;
    }

    /** What follows by itself begins with what was there by then. */
    private function finish(int $now): void
    {
        for ($left = self::MOST_FOLLOWING; $left > 0 && $this->lists->followsAt() <= $now; --$left) {
            $at = $this->lists->followsAt();
            $this->settleAt($at - 1);
            $this->settleAt($at);
        }
        $this->settleAt($now);
    }

    private function settleAt(int $now): void
    {
        ($this->runner)()->courses->goOn($now);
        $this->lists->goOn($now);
        $this->looks->goOn($now);
        ($this->changes)()->settle($now, false);
    }

    private function releaseAll(int $now): void
    {
        $this->looks->releaseAll($now);
        $this->lists->releaseAll($now);
        $this->waves->releaseAll($now);
    }

    /** A control of show control, by its number: see Masters::control(). */
    private function control(int $number, float $level, int $now): string
    {
        return $this->masters->control($number, $level, $now);
    }

    private function scaleAll(int $now): void
    {
        $this->looks->scaleAll($now);
        $this->lists->scaleAll($now);
    }

    private function listChanged(LiveList $live, string $before): void
    {
        $id = $live->list->id;
        $cue = static fn(string $number): ?float => $number === '' ? null : (float) $number;
        $isRunning = (int) ($live->isOn && ! $live->isPaused);
        $changes = $live->current === $before
            ? []
            : ['' => [$cue($live->current), $cue($before)], '/cue' => [$cue($live->current), $cue($before)]];
        $changes['/running'] = [$isRunning, $live->current === $before ? 1 - $isRunning : (int) ($before !== '')];
        foreach ($changes as $part => [$is, $was]) {
            $reference = Reference::parse("list:{$id}{$part}");
            if ($reference !== null && $is !== $was) {
                ($this->happened)(new PointChanged($reference, $is, $was));
            }
        }
    }
}
