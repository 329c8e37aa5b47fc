<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timeline;

use NimbleJunction\Core\Live\Sending;
use NimbleJunction\Core\Message\QuarterFrame;
use NimbleJunction\Core\Message\TimeCode as Jump;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\FrameRate;
use NimbleJunction\Core\Wire\Midi\QuarterFrames;
use NimbleJunction\Core\Wire\TimeCode;

/**
 * One time code as it leaves by MIDI: quarter frames as long as it runs, forwards or backwards, each on its grid; a full frame where it is put somewhere.
 *
 * Source: MIDI Time Code, MIDI Association (from memory): four pieces a frame, eight say the time of the first of them; a
 * full frame where it is moved faster, or stands.
 */
final class QuarterFramesOut implements TimecodeForm
{
    private const PIECES = 8;

    /** Pieces that are late are sent at once, so many at most; more, and it is a jump. */
    private const MOST_LATE = 8;

    /** The piece that is sent next, counted from midnight; null where it stands. */
    private ?int $next = null;
    private string $stands = '';

    /** 1 where it ran forwards last, -1 backwards. */
    private int $way = 1;

    /** @param list<string> $ports ids */
    public function __construct(private readonly Sending $sending, private readonly array $ports)
    {
    }

    public function dueAt(LiveTimecode $live, int $now): int
    {
        if (! $live->isRunning || $this->next === null) {
            return \PHP_INT_MAX;
        }

        $day = self::day($live) * self::piece($live);
        $left = self::nearer($this->next * self::piece($live) - $live->at($now), $day);

        return $now + (int) ceil(max(0.0, $left / $live->speed) * 1e9);
    }

    public function send(LiveTimecode $live, int $now): void
    {
        $rate = $live->timecode->frameRate();
        $way = $live->isBackwards() ? -1 : 1;
        $at = $live->at($now) / self::piece($live);
        // What is rounded belongs to the piece that it was to be.
        $place = $way > 0 ? (int) floor($at + 1e-6) : (int) ceil($at - 1e-6);
        if (! $live->isRunning) {
            $this->next = null;
            $this->stand($live, TimeCode::fromFrames($rate, intdiv($place, 4)), $now);

            return;
        }
        $late = $this->next === null ? self::MOST_LATE + 1 : (int) self::nearer(($place - $this->next) * $way, self::day($live));
        if ($way !== $this->way || $late < -1 || $late > self::MOST_LATE) {
            $this->jump($live, TimeCode::fromFrames($rate, intdiv($place, 4)), $now);
            // The first of eight pieces comes next.
            $this->next = $way > 0
                ? intdiv($place + self::PIECES - 1, self::PIECES) * self::PIECES
                : intdiv($place, self::PIECES) * self::PIECES;
            $late = ($place - $this->next) * $way;
        }
        $this->way = $way;
        $this->stands = '';
        for (; $late >= 0; --$late) {
            $this->pieceAt($rate, (int) $this->next, $way, $now);
            $this->next = ((int) $this->next + $way + self::day($live)) % self::day($live);
        }
    }

    /** @return float the same, past midnight or before it, whichever is nearer */
    private static function nearer(float $far, float $day): float
    {
        return $far - $day * round($far / $day);
    }

    /** @return int pieces from one midnight to the next */
    private static function day(LiveTimecode $live): int
    {
        return 4 * TimeCode::framesADay($live->timecode->frameRate());
    }

    /** @return float seconds from one piece to the next */
    private static function piece(LiveTimecode $live): float
    {
        [$frames, $seconds] = $live->timecode->frameRate()->exact();

        return $seconds / $frames / 4;
    }

    /**
     * Backwards the eight pieces of a time are sent from the last to the first, and the time is that of the piece that comes
     * first.
     */
    private function pieceAt(FrameRate $rate, int $place, int $way, int $now): void
    {
        $passed = $way > 0 ? self::within($place) : self::within(-$place);
        $stamp = TimeCode::fromFrames($rate, intdiv($place - $passed * $way, 4));
        $message = new QuarterFrame(\ord(QuarterFrames::of($stamp, $way)[$passed]->encode()[1]));
        foreach ($this->ports as $port) {
            $this->sending->tick($port, $message, $now);
        }
    }

    /** @return int how many of the eight pieces were sent before */
    private static function within(int $place): int
    {
        return ($place % self::PIECES + self::PIECES) % self::PIECES;
    }

    private function stand(LiveTimecode $live, TimeCode $time, int $now): void
    {
        if ($this->stands !== $time->spelled()) {
            $this->jump($live, $time, $now);
            $this->stands = $time->spelled();
        }
    }

    private function jump(LiveTimecode $live, TimeCode $time, int $now): void
    {
        foreach ($this->ports as $port) {
            $this->sending->tick($port, new Jump(Protocol::Midi, $time, true), $now);
        }
    }
}
