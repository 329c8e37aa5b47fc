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
 * One time code as it leaves by MIDI: quarter frames as long as it runs, each on its grid; a full frame where it is put somewhere.
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

    /** @param list<string> $ports ids */
    public function __construct(private readonly Sending $sending, private readonly array $ports)
    {
    }

    public function dueAt(LiveTimecode $live, int $now): int
    {
        if (! $live->isRunning || $this->next === null) {
            return \PHP_INT_MAX;
        }

        return $now + (int) ceil(max(0.0, $this->next * self::piece($live) - $live->at($now)) * 1e9);
    }

    public function send(LiveTimecode $live, int $now): void
    {
        $rate = $live->timecode->frameRate();
        $place = (int) floor($live->at($now) / self::piece($live) + 1e-6);
        if (! $live->isRunning) {
            $this->next = null;
            $this->stand($live, TimeCode::fromFrames($rate, intdiv($place, 4)), $now);

            return;
        }
        if ($this->next === null || $place < $this->next - 1 || $place - $this->next > self::MOST_LATE) {
            $this->jump($live, TimeCode::fromFrames($rate, intdiv($place, 4)), $now);
            // The first of eight pieces comes next.
            $this->next = intdiv($place + self::PIECES - 1, self::PIECES) * self::PIECES;
        }
        $this->stands = '';
        for (; $this->next <= $place; ++$this->next) {
            $this->piecesAt($live, $rate, $this->next, $now);
        }
    }

    /** @return float seconds from one piece to the next */
    private static function piece(LiveTimecode $live): float
    {
        [$frames, $seconds] = $live->timecode->frameRate()->exact();

        return $seconds / $frames / 4;
    }

    private function piecesAt(LiveTimecode $live, FrameRate $rate, int $place, int $now): void
    {
        $piece = $place % self::PIECES;
        $stamp = TimeCode::fromFrames($rate, intdiv($place - $piece, 4));
        $message = new QuarterFrame(\ord(QuarterFrames::of($stamp)[$piece]->encode()[1]));
        foreach ($this->ports as $port) {
            $this->sending->tick($port, $message, $now);
        }
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
