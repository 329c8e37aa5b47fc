<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timeline;

use NimbleJunction\Core\Live\Sending;
use NimbleJunction\Core\Message\MachineControl;
use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Core\Message\TimeCode as Said;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;
use NimbleJunction\Core\Wire\Midi\MachineCommand;

/** Time codes of the show, and the timelines that follow them. */
final class Timecodes implements Room
{
    public const FASTEST = 4.0;
    private const SLOWEST = 0.1;

    /** Letters of 01:00:00:00: what stands behind are hundredths of a frame. */
    private const WITHOUT_FRACTIONS = 11;

    /** A timeline may be so many frames away from its time code before it jumps there. */
    private const SLIP_FRAMES = 6.0;

    /** @var array<string, LiveTimecode> by id */
    private array $live = [];

    /** Counted on with whatever has to be kept of our own. */
    private int $acts = 0;

    /** @var array<string, TimecodeOut> by id */
    private array $outs = [];

    /** @var array<string, string> what each was when that was told last, by id */
    private array $told = [];
    private int $seenAt = 0;
    private readonly Following $following;

    /**
     * @param \Closure(Reference, int|float|string|null, int|float|string|null): void $changed a point has another value, and
     * had this one
     */
    public function __construct(
        private readonly Timelines $timelines,
        private readonly Sending $sending,
        private readonly \Closure $changed,
    ) {
        $this->following = new Following($timelines);
    }

    public function adopt(Plan $plan): void
    {
        $live = [];
        foreach ($plan->timelines->timecodes as $id => $timecode) {
            $live[$id] = $this->live[$id] ?? new LiveTimecode($timecode);
            $live[$id]->timecode = $timecode;
            $this->outs[$id] ??= new TimecodeOut($this->sending);
            $this->outs[$id]->adopt($timecode, $plan);
        }
        $this->live = $live;
        $this->outs = array_intersect_key($this->outs, $live);
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
            $wasRunning = $live->isRunning;
            if ($live->hear($portId, $message, $now)) {
                $this->lead($live, $now);
                $this->tell($live, $wasRunning, $now);
                $this->outs[$live->timecode->id]->send($live, $now);
            }
        }
    }

    /** Something else has come in at a port: a time by OSC, or machine control. */
    public function heardOther(string $portId, Message $message, int $now): void
    {
        foreach ($this->live as $live) {
            if (! \in_array($portId, $live->timecode->from, true)) {
                continue;
            }
            if ($message instanceof MachineControl && $live->timecode->mmc) {
                $this->command($live, $message, $now);
            } elseif ($message instanceof Osc && $message->packet->address === $live->timecode->oscAddress()) {
                $said = $message->arguments()[0] ?? null;
                $seconds = \is_int($said) || \is_float($said) || \is_string($said)
                    ? Clocked::seconds($said, $live->timecode->frameRate())
                    : null;
                $wasRunning = $live->isRunning;
                if ($seconds !== null && $live->hearSeconds($portId, $seconds, $now)) {
                    $this->lead($live, $now);
                    $this->tell($live, $wasRunning, $now);
                    $this->outs[$live->timecode->id]->send($live, $now);
                }
            }
        }
    }

    /** Where a port leads, its time says it all. */
    private function command(LiveTimecode $live, MachineControl $message, int $now): void
    {
        $control = $message->control;
        match ($control->command) {
            MachineCommand::Play, MachineCommand::DeferredPlay => $this->own($live, $live->at($now), true, $now),
            MachineCommand::Stop, MachineCommand::Pause => $this->own($live, $live->at($now), false, $now),
            MachineCommand::Locate => $control->target === null
                ? ''
                : $this->locate($live, substr($control->target->spelled(), 0, self::WITHOUT_FRACTIONS), $now),
            default => '',
        };
    }

    /** When goOn() must be called next. */
    private function locate(LiveTimecode $live, string $place, int $now): string
    {
        $seconds = Clocked::seconds($place, $live->timecode->frameRate()) ?? 0.0;

        return $this->own($live, $seconds, $live->isOwn && $live->isRunning, $now);
    }

    public function dueAt(): int
    {
        $due = $this->pieceAt();
        foreach ($this->live as $live) {
            $due = min($due, $live->stopsAt(), $live->lostAt());
            if ($live->isRunning && ($live->isOwn || $live->isBackwards())) {
                $due = min($due, $this->seenAt + (int) round($live->frame() * 1e9));
            }
        }

        return $due;
    }

    /** @return int when a piece of a time that leaves is due; PHP_INT_MAX for none */
    public function pieceAt(): int
    {
        $at = \PHP_INT_MAX;
        foreach ($this->live as $live) {
            $at = min($at, $this->outs[$live->timecode->id]->dueAt($live, $this->seenAt));
        }

        return $at;
    }

    /** What was to be heard by now, and was not, is lost. */
    public function goOn(int $now): void
    {
        $this->seenAt = $now;
        foreach ($this->live as $live) {
            if ($live->stopsAt() <= $now) {
                $live->stop($now);
                $live->look($now);
                $this->lead($live, $now);
                $this->tell($live, true, $now);
            } elseif ($live->lostAt() <= $now) {
                $live->isCarriedOn = true;
                $live->look($now);
            } elseif ($live->isRunning && ($live->isOwn || $live->isBackwards())) {
                $this->lead($live, $now);
                $this->tell($live, true, $now);
            }
            $this->outs[$live->timecode->id]->send($live, $now);
        }
    }

    /** @return int when they were looked at last: what a point says is of that moment */
    public function seenAt(): int
    {
        return $this->seenAt;
    }

    /** Our own runs faster, slower, or backwards from here on. */
    public function setSpeed(LiveTimecode $live, int|float|string $value, int $now): string
    {
        if (! is_numeric($value) || abs((float) $value) < self::SLOWEST || abs((float) $value) > self::FASTEST) {
            return 'it is a number from 0.1 to 4, or below 0 to run backwards; to stop it set it not running';
        }
        $before = $live->ownSpeed;
        $at = $live->at($now);
        $live->ownSpeed = (float) $value;
        $refusal = $this->own($live, $at, $live->isRunning, $now);
        $live->ownSpeed = $refusal === '' ? $live->ownSpeed : $before;
        $reference = Reference::parse("timecode:{$live->timecode->id}/speed");
        if ($refusal === '' && $reference !== null && $before !== $live->ownSpeed) {
            ($this->changed)($reference, $live->ownSpeed, $before);
        }

        return $refusal;
    }

    /** It is ours from now on, unless a port leads. @return string why not; '' when it is */
    public function own(LiveTimecode $live, float $seconds, bool $isRunning, int $now): string
    {
        $live->look($now);
        if ($live->leader !== '') {
            return 'a port leads it now';
        }
        $wasRunning = $live->isRunning;
        $live->own($seconds, $isRunning, $now);
        ++$this->acts;
        $this->lead($live, $now);
        $this->tell($live, $wasRunning, $now);
        $this->outs[$live->timecode->id]->send($live, $now);

        return '';
    }

    public function key(): string
    {
        return 'timecodes';
    }

    public function revisions(): array
    {
        return array_map(
            fn(): int => $this->acts,
            array_filter($this->live, static fn(LiveTimecode $live): bool => $live->isOwn),
        );
    }

    public function kept(string $part, int $now): array
    {
        $live = $this->live[$part];

        return ['at' => $live->at($now), 'running' => $live->isRunning, 'speed' => $live->ownSpeed];
    }

    /**
     * Our own goes on where it would be by now.
     *
     * @param int $away nanoseconds since it was written down
     */
    public function restore(Stored $stored, int $now, int $away): void
    {
        foreach ($this->live as $id => $live) {
            $part = $stored->part((string) $id);
            $at = $part->scalar('at');
            if (is_numeric($at)) {
                $isRunning = $part->flag('running');
                $speed = $part->scalar('speed');
                $isSpeed = is_numeric($speed) && abs((float) $speed) >= self::SLOWEST && abs((float) $speed) <= self::FASTEST;
                $live->ownSpeed = $isSpeed ? (float) $speed : 1.0;
                $passed = $isRunning ? $away / 1e9 * $live->ownSpeed : 0.0;
                $this->own($live, fmod(fmod((float) $at + $passed, $live->day()) + $live->day(), $live->day()), $isRunning, $now);
            }
        }
    }

    /** Timelines that follow it go where it is; of a group the first one that has something there. */
    private function lead(LiveTimecode $live, int $now): void
    {
        $led = [];
        foreach ($this->timelines->live() as $timeline) {
            $group = $timeline->timeline->group;
            if ($timeline->timeline->timecode !== $live->timecode->id || isset($led[$group])) {
                continue;
            }
            $at = $live->at($now) - (Clocked::seconds($timeline->timeline->startsAt, $live->rate) ?? 0.0);
            $at = fmod($at + 1.5 * $live->day(), $live->day()) - $live->day() / 2.0;
            $runs = $live->isRunning && ! $live->isBackwards();
            if ($runs && $timeline->rate !== $live->speed) {
                $this->timelines->setRate($timeline->timeline->id, $live->speed, $now);
            }
            $this->following->follow(
                $timeline,
                $at < -1e-6 ? null : max(0.0, $at),
                $runs,
                self::SLIP_FRAMES * $live->frame(),
                $now,
            );
            if ($group !== '' && $at >= 0.0 && $at < $timeline->timeline->score->ends) {
                $led[$group] = true;
            }
        }
    }

    private function tell(LiveTimecode $live, bool $wasRunning, int $now): void
    {
        $this->seenAt = $now;
        $id = $live->timecode->id;
        $before = $this->told[$id] ?? '';
        $this->told[$id] = $live->spelled($now);
        foreach ([
            '' => [$this->told[$id], $before],
            '/running' => [(int) $live->isRunning, (int) $wasRunning],
        ] as $part => [$is, $was]) {
            $reference = $is === $was ? null : Reference::parse("timecode:{$live->timecode->id}{$part}");
            if ($reference !== null) {
                ($this->changed)($reference, $is, $was);
            }
        }
    }
}
