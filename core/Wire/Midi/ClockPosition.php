<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

/** Where a sequencer is, in timing clocks from the beginning: 24 a quarter note, six a sixteenth. */
final class ClockPosition
{
    public const PER_SIXTEENTH = 6;
    public int $clocks = 0;
    public bool $running = false;

    /** After start and continue the first clock stands for the position itself. */
    private bool $justStarted = false;

    public function push(MidiMessage $message): void
    {
        if ($message instanceof SystemCommon && $message->status === SystemCommon::SONG_POSITION) {
            $this->clocks = $message->value * self::PER_SIXTEENTH;
            $this->justStarted = true;
        } elseif ($message === RealTime::Start) {
            $this->clocks = 0;
            $this->running = $this->justStarted = true;
        } elseif ($message === RealTime::Continue) {
            $this->running = $this->justStarted = true;
        } elseif ($message === RealTime::Stop) {
            $this->running = false;
        } elseif ($message === RealTime::TimingClock && $this->running) {
            $this->clocks += $this->justStarted ? 0 : 1;
            $this->justStarted = false;
        }
    }
}
