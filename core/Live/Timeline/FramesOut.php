<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timeline;

use NimbleJunction\Core\Live\Sending;
use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Core\Message\TimeCode as Said;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\TimeCode;

/** One time code as it leaves by Art-Net or OSC: every frame as long as it runs, and once where it is put somewhere. */
final class FramesOut implements TimecodeForm
{
    /** Backwards a frame is entered at its end: so many seconds below that. */
    private const BELOW = 1e-6;

    /** The frame that was sent last, counted from midnight; null before any. */
    private ?int $last = null;

    /** @param list<string> $ports ids */
    public function __construct(
        private readonly Sending $sending,
        private readonly Protocol $protocol,
        private readonly array $ports,
    ) {
    }

    public function dueAt(LiveTimecode $live, int $now): int
    {
        if (! $live->isRunning) {
            return \PHP_INT_MAX;
        }
        $frame = self::frame($live);

        $place = floor($live->at($now) / $frame + 1e-6);
        $left = $live->isBackwards()
            ? $live->at($now) - $place * $frame + self::BELOW
            : ($place + 1.0) * $frame - $live->at($now);

        return $now + (int) ceil(max(0.0, $left / abs($live->speed)) * 1e9);
    }

    public function send(LiveTimecode $live, int $now): void
    {
        $place = (int) floor($live->at($now) / self::frame($live) + 1e-6);
        if ($place === $this->last) {
            return;
        }
        $this->last = $place;
        $message = $this->message($live, TimeCode::fromFrames($live->timecode->frameRate(), $place));
        foreach ($this->ports as $port) {
            $this->sending->tick($port, $message, $now);
        }
    }

    private function message(LiveTimecode $live, TimeCode $time): Message
    {
        $entry = $live->timecode;

        return $this->protocol === Protocol::ArtNet
            ? new Said(Protocol::ArtNet, $time, false)
            : Osc::of($entry->oscAddress(), [$entry->oscSays === 'text' ? $time->spelled() : round($time->toNanos() / 1e9, 4)]);
    }

    /** @return float seconds from one frame to the next */
    private static function frame(LiveTimecode $live): float
    {
        [$frames, $seconds] = $live->timecode->frameRate()->exact();

        return $seconds / $frames;
    }
}
