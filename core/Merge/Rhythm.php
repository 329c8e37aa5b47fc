<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

/**
 * When the frames of one sender come: how many a second, how evenly, how often none came that should have, and what it
 * is usual with. It is kept when the sender is lost and comes back. Jitter is kept as in RFC 3550, 6.4.1: a sixteenth of
 * what each interval differs from the one before.
 */
final class Rhythm
{
    private const SECOND = 1_000_000_000;
    private const HALF_MINUTE = 30 * self::SECOND;
    private const TEN_SECONDS = 10 * self::SECOND;

    /** A sender is overdue after three of its own intervals or a second; senders that keep alive once a second are not. */
    private const OVERDUE_INTERVALS = 3;
    private const OVERDUE_NANOS = 1_050_000_000;

    /** The first interval may be as long as this and be its rhythm. */
    private const FIRST_NANOS = 20 * self::SECOND;

    /** So many times the interval before is a pause: the sender thins its output, or was away. */
    private const PAUSE = 16;

    /** Intervals that differ by no more than this part are one rhythm, however slow it is. */
    private const ALIKE = 0.3;

    /** Only while frames follow each other as fast as this can they be uneven: a pause is none of that. */
    private const FAST_NANOS = 250_000_000;

    /** It is uneven when intervals differ from their mean by this part of it (common practice, no source). */
    private const UNEVEN_PART = 0.25;

    /** It loses frames when one in fifty does not come, and more than one (common practice, no source). */
    private const LOSING_PART = 0.02;

    private int $last = 0;
    private int $interval = 0;
    private float $jitter = 0.0;
    private float $mean = 0.0;
    private float $deviation = 0.0;
    private int $longest = 0;
    private int $longestBefore = 0;
    private int $longestEver = 0;
    private int $longestTen = 0;
    private int $longestTenBefore = 0;

    /**
     * @var array{float, float, float, float, float} the worst jitter: in the ten seconds of now, before, in the half minute
     * of now, before, ever
     */
    private array $jitters = [0.0, 0.0, 0.0, 0.0, 0.0];
    private int $regular = 0;
    private int $regularBefore = 0;
    private int $odd = 0;
    private int $halfEnds = 0;
    private int $inSecond = 0;
    private int $perSecond = 0;
    private int $secondEnds = 0;

    /** @var array{int, int, int, int} frames that came and that did not, in the ten seconds of now and in those before */
    private array $counts = [0, 0, 0, 0];
    private int $tenEnds = 0;
    private bool $isLosing = false;

    /** The longest silence that is usual with it. */
    private int $overdue = self::OVERDUE_NANOS;

    public readonly Outages $outages;

    public function __construct()
    {
        $this->outages = new Outages();
    }

    public function beat(int $now): void
    {
        if ($this->last !== 0) {
            $interval = $now - $this->last;
            // A pause, and the end of one, are no jitter; nor is the first interval.
            if ($interval < self::PAUSE * $this->interval && $this->interval < self::PAUSE * $interval) {
                $this->jitter += (abs($interval - $this->interval) - $this->jitter) / 16;
            }
            $this->interval = $interval;
            if ($interval > $this->longest) {
                $this->longest = $interval;
            }
            if ($interval > $this->longestTen) {
                $this->longestTen = $interval;
            }
            if ($interval < self::FAST_NANOS) {
                $this->mean += $this->mean > 0.0 ? ($interval - $this->mean) / 16 : $interval;
                $this->deviation += (abs($interval - $this->mean) - $this->deviation) / 32;
            }
            if ($interval > $this->regular) {
                $this->slower($interval, $now);
            }
        }
        $this->last = $now;
        ++$this->inSecond;
        ++$this->counts[0];
        if ($now >= $this->secondEnds) {
            $this->second($now);
        }
    }

    /** So many frames never came, by the gaps in their sequence numbers. */
    public function missed(int $frames): void
    {
        $this->counts[1] += $frames;
    }

    /** Frames in the last whole second; 0 once none came for two. */
    public function rate(int $now): int
    {
        return $now - $this->last > 2 * self::SECOND ? 0 : $this->perSecond;
    }

    public function jitterMillis(): float
    {
        return $this->jitter / 1e6;
    }

    /**
     * @return array{float, float, float} the worst jitter of the last ten to twenty seconds, of the last minute, and ever, in
     * milliseconds
     */
    public function jittersMillis(): array
    {
        [$ten, $tenBefore, $half, $halfBefore, $ever] = $this->jitters;

        return [max($ten, $tenBefore) / 1e6, max($half, $halfBefore) / 1e6, max($ever, $half) / 1e6];
    }

    /** The longest silence of the last ten to twenty seconds, the one that lasts now included. */
    public function longestTenMillis(int $now): float
    {
        return max($this->longestTen, $this->longestTenBefore, $this->last === 0 ? 0 : $now - $this->last) / 1e6;
    }

    /** The longest silence of the last minute, the one that lasts now included. */
    public function longestGapMillis(int $now): float
    {
        return max($this->longest, $this->longestBefore, $this->last === 0 ? 0 : $now - $this->last) / 1e6;
    }

    /** The longest silence since it was heard first. */
    public function longestEverMillis(int $now): float
    {
        return max($this->longestEver, $this->longestGapMillis($now) * 1e6) / 1e6;
    }

    /** Nanoseconds since it was heard last. */
    public function silence(int $now): int
    {
        return $this->last === 0 ? 0 : $now - $this->last;
    }

    public function lastAt(): int
    {
        return $this->last;
    }

    /** Whether it was regular, and has been silent for longer than is usual with it. */
    public function isOverdue(int $now): bool
    {
        return $now - $this->last > $this->overdue && $this->usual() > 0;
    }

    /** The longest interval of its own in the last minute, in nanoseconds; 0 while none is known. */
    public function usual(): int
    {
        return max($this->regular, $this->regularBefore);
    }

    /** The part of its frames that did not come in the last ten to twenty seconds. */
    public function loss(): float
    {
        [$came, $missed, $cameBefore, $missedBefore] = $this->counts;
        $missed += $missedBefore;

        return $missed === 0 ? 0.0 : $missed / ($missed + $came + $cameBefore);
    }

    /** What is unsteady about it, with the figure and the time that it is over; '' for nothing. */
    public function unsteadiness(): string
    {
        $loss = $this->loss();
        // Said until it is clearly over: around the limit it would come and go.
        $this->isLosing = $this->counts[1] + $this->counts[3] > 1
            && $loss >= ($this->isLosing ? self::LOSING_PART / 2 : self::LOSING_PART);
        if ($this->isLosing) {
            return 'losing '.number_format($loss * 100, 1, '.', '').' % (last 10 s)';
        }
        if ($this->interval < self::FAST_NANOS && $this->mean > 0 && $this->deviation > self::UNEVEN_PART * $this->mean) {
            return sprintf('uneven: ± %.0f ms around %.0f ms', $this->deviation / 1e6, $this->mean / 1e6);
        }

        return '';
    }

    /** An interval that is longer than its own so far: its rhythm is slower, or it was away. */
    private function slower(int $interval, int $now): void
    {
        // What was heard once had no rhythm yet that it could be late for.
        $isOverdue = $interval > ($this->usual() > 0 ? $this->overdue : self::FIRST_NANOS);
        // What comes twice as late in the same way is its rhythm.
        $isAlike = abs($interval - $this->odd) <= self::ALIKE * $this->odd;
        if ($isOverdue) {
            $this->odd = $interval;
        }
        if (! $isOverdue || $isAlike) {
            $this->regular = $interval;
            $this->overdue = max(self::OVERDUE_NANOS, self::OVERDUE_INTERVALS * max($interval, $this->regularBefore));
        } else {
            $this->outages->add($this->last, $now);
        }
    }

    private function second(int $now): void
    {
        $this->perSecond = $now - $this->secondEnds < self::SECOND ? $this->inSecond : 1;
        $this->inSecond = 0;
        $this->secondEnds = $now + self::SECOND;
        $this->jitters[0] = max($this->jitters[0], $this->jitter);
        $this->jitters[2] = max($this->jitters[2], $this->jitter);
        if ($now >= $this->tenEnds) {
            $isNext = $now - $this->tenEnds < self::TEN_SECONDS;
            $this->longestTenBefore = $isNext ? $this->longestTen : 0;
            $this->longestTen = 0;
            $this->jitters[1] = $isNext ? $this->jitters[0] : 0.0;
            $this->jitters[0] = $this->jitter;
            $this->counts = [0, 0, $isNext ? $this->counts[0] : 0, $isNext ? $this->counts[1] : 0];
            $this->tenEnds = $now + self::TEN_SECONDS;
        }
        if ($now >= $this->halfEnds) {
            $this->longestEver = max($this->longestEver, $this->longest);
            $this->jitters[4] = max($this->jitters[4], $this->jitters[2]);
            $this->jitters[3] = $this->jitters[2];
            $this->jitters[2] = $this->jitter;
            $this->longestBefore = $this->longest;
            $this->longest = 0;
            $this->regularBefore = $this->regular;
            // A rhythm that was found slow stays known for as long again.
            $this->regular = 0;
            $this->overdue = max(self::OVERDUE_NANOS, self::OVERDUE_INTERVALS * $this->regularBefore);
            $this->halfEnds = $now + self::HALF_MINUTE;
        }
    }
}
