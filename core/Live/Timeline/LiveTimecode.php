<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timeline;

use NimbleJunction\Core\Message\TimeCode as Said;
use NimbleJunction\Core\Timeline\TimecodeEntry;
use NimbleJunction\Core\Wire\FrameRate;
use NimbleJunction\Core\Wire\TimeCode;

/** Time code at work: who leads, where it is, and whether it runs. */
final class LiveTimecode
{
    /** What has said nothing for so long is not alive: quarter frames say a time every other frame, at 24 a second. */
    private const LOST_NANOS = 200_000_000;

    private const LONGEST_SILENCE = 3_000_000_000;

    /** So many frames back from one time to the next are a tape that runs backwards; more is a jump. Our own choice. */
    private const MOST_BACK = 4;

    /** Port that leads; '' for none. */
    public string $leader = '';
    public FrameRate $rate = FrameRate::Ebu;

    /** Whether it runs, and whether it does so by itself since nobody says anything. */
    public bool $isRunning = false;
    public bool $isCarriedOn = false;

    /** How fast it runs: 1 forwards, -1 backwards; our own as fast as it was set. */
    public float $speed = 1.0;

    /** How fast our own runs. */
    public float $ownSpeed = 1.0;

    /** Whether it is our own: somebody started it, or put it somewhere, and no port has said anything since. */
    public bool $isOwn = false;
    private float $seconds = 0.0;
    private int $heardAt = 0;

    /** @var array<string, int> when each port said something last */
    private array $alive = [];

    /** @var array<string, int> for how long each may say nothing, and is alive; others for as long as quarter frames do */
    private array $patience = [];

    public function __construct(public TimecodeEntry $timecode)
    {
    }

    /** @return float seconds since midnight, of its clock, with the offset */
    public function at(int $now): float
    {
        $seconds = $this->seconds + ($this->isOwn ? 0.0 : $this->timecode->offset) + ($this->isRunning
            ? ($now - $this->heardAt) / 1e9 * $this->speed
            : 0.0);

        return fmod(fmod($seconds, $this->day()) + $this->day(), $this->day());
    }

    public function isBackwards(): bool
    {
        return $this->isRunning && $this->speed < 0.0;
    }

    public function spelled(int $now): string
    {
        // A moment of a frame belongs to that frame, whatever the last digit says.
        return TimeCode::fromNanos($this->rate, (int) round($this->at($now) * 1e9) + 1000)->spelled();
    }

    /** @return float seconds after which its times begin again */
    public function day(): float
    {
        return TimeCode::framesADay($this->rate) * $this->frame();
    }

    /** @return float how long a frame is, in seconds */
    public function frame(): float
    {
        [$frames, $seconds] = $this->rate->exact();

        return $seconds / $frames;
    }

    /** @return bool whether it is of the one that leads */
    public function hear(string $portId, Said $message, int $now): bool
    {
        $this->alive[$portId] = $now;
        $this->look($now);
        if ($this->leader !== $portId) {
            return false;
        }
        $this->isOwn = false;
        $time = $message->time;
        $before = $message->isJump || $message->before?->rate !== $time->rate ? null : $message->before;
        $ahead = $before?->framesUntil($time) ?? 0;
        $back = $before === null ? 0 : $time->framesUntil($before);
        $passed = $ahead <= $back ? $ahead : -$back;
        $this->rate = $time->rate;
        $this->seconds = $time->toNanos() / 1e9;
        $way = $message->way !== 0 ? $message->way : ($passed < 0 && $passed >= -self::MOST_BACK ? -1 : 1);
        $this->speed = (float) $way;
        $this->isRunning = $passed * $way > 0 && $passed * $way <= $time->rate->counted();
        $this->isCarriedOn = false;
        $this->heardAt = $now;

        return true;
    }

    /**
     * A time as a number has been heard: it runs, if it was another one the time before, and not long ago. Who says one now and then may be silent
     * for three times as long.
     *
     * @return bool whether it is of the one that leads
     */
    public function hearSeconds(string $portId, float $seconds, int $now): bool
    {
        $between = isset($this->alive[$portId]) ? $now - $this->alive[$portId] : 0;
        $this->patience[$portId] = max(self::LOST_NANOS, min(self::LONGEST_SILENCE, 3 * $between));
        $this->alive[$portId] = $now;
        $this->look($now);
        if ($this->leader !== $portId) {
            return false;
        }
        $passed = $this->isOwn || $between === 0 ? 0.0 : $seconds - $this->seconds;
        $this->isOwn = $this->isCarriedOn = false;
        $this->rate = $this->timecode->frameRate();
        $this->seconds = $seconds;
        $this->speed = $passed < 0.0 ? -1.0 : 1.0;
        $this->isRunning = ($passed > 0.0 && $passed <= max(1.0, 4.0 * $between / 1e9))
            || ($passed < 0.0 && -$passed <= min(1.0, 4.0 * $between / 1e9));
        $this->heardAt = $now;

        return true;
    }

    /** It is ours from now on: it runs, or stands, at a time. */
    public function own(float $seconds, bool $isRunning, int $now): void
    {
        $this->isOwn = true;
        $this->rate = $this->timecode->frameRate();
        $this->seconds = $seconds;
        $this->speed = $this->ownSpeed;
        $this->isRunning = $isRunning;
        $this->isCarriedOn = false;
        $this->heardAt = $now;
    }

    /** Who leads now: the first of those that are alive; nobody takes over from one that only stands. */
    public function look(int $now): void
    {
        $this->leader = '';
        foreach ($this->timecode->from as $port) {
            if (isset($this->alive[$port]) && $now - $this->alive[$port] < ($this->patience[$port] ?? self::LOST_NANOS)) {
                $this->leader = $port;
                break;
            }
        }
    }

    /** @return int when it stops unless something is heard; PHP_INT_MAX where it does not */
    public function stopsAt(): int
    {
        $more = match ($this->timecode->lost) {
            'frames' => (int) round($this->timecode->frames * $this->frame() * 1e9),
            'stop' => 0,
            default => null,
        };

        return ! $this->isRunning || $this->isOwn || $more === null
            ? \PHP_INT_MAX
            : $this->heardAt + max($this->silence(), $more);
    }

    /** @return int when it carries on by itself unless something is heard */
    public function lostAt(): int
    {
        return ! $this->isRunning || $this->isOwn || $this->isCarriedOn ? \PHP_INT_MAX : $this->heardAt + $this->silence();
    }

    /** @return int nanoseconds that whoever leads may say nothing */
    private function silence(): int
    {
        return $this->patience[$this->leader] ?? self::LOST_NANOS;
    }

    /** Nobody says anything any more: it stands where it was left, or where it came to by itself. */
    public function stop(int $now): void
    {
        $isAtOnce = $this->timecode->lost === 'stop';
        $this->seconds = $isAtOnce ? $this->seconds : $this->at($now) - $this->timecode->offset;
        $this->isRunning = $this->isCarriedOn = false;
        $this->heardAt = $now;
    }
}
