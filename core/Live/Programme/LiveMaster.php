<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Programme;

use NimbleJunction\Core\Programme\Master;

/** Where a master stands, and where it goes. */
final class LiveMaster
{
    private const FULL = 100.0;

    public bool $flashes = false;
    public bool $isAlone = false;

    /** What waves add to its level, in per cent. */
    public float $modulation = 0.0;

    /** Where it goes; null where it stands. */
    public ?float $to = null;

    private float $from = 0.0;
    private int $begin = 0;
    private int $nanos = 0;

    /** @param float $level 0 to 100: what it was set to */
    public function __construct(public Master $master, public float $level)
    {
    }

    /** Whether it is on its way. */
    public function isMoving(): bool
    {
        return $this->nanos > 0;
    }

    /** @return float 0 to 1: what it leaves of a light now */
    public function share(): float
    {
        return $this->master->share($this->flashes ? self::FULL : $this->level + $this->modulation);
    }

    public function fade(float $to, float $seconds, int $now): void
    {
        $this->from = $this->level;
        $this->to = $to;
        $this->begin = $now;
        $this->nanos = (int) round($seconds * 1e9);
        if ($this->nanos <= 0) {
            $this->stand($to);
        }
    }

    public function stand(float $level): void
    {
        $this->level = $level;
        $this->to = null;
        $this->nanos = 0;
    }

    public function goOn(int $now): void
    {
        if ($this->to === null) {
            return;
        }
        $share = ($now - $this->begin) / $this->nanos;
        $share >= 1.0 ? $this->stand($this->to) : $this->level = $this->from + max(0.0, $share) * ($this->to - $this->from);
    }

    /** @return int nanoseconds until it is there */
    public function left(int $now): int
    {
        return $this->to === null ? 0 : max(0, $this->begin + $this->nanos - $now);
    }
}
