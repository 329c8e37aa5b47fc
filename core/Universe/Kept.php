<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Merge\Bytes;
use NimbleJunction\Core\Merge\WideParameters;

/**
 * What is left of a universe's senders when the last of them has gone: their last
 * levels, on their way down where the rule says so, or silence. It lies below
 * everything: whatever is ours shows above it.
 */
final class Kept
{
    /** @var string 512 bytes */
    public string $levels;
    public ?Fade $fade = null;

    /** Whether senders left these levels: below them lie the defaults of the patch. */
    public bool $isFilled = false;

    /** Whether the rule was to stop sending, and nobody has come since. */
    public bool $stopped = false;

    public function __construct()
    {
        $this->levels = Bytes::$none;
    }

    /** @param string $levels 512 bytes: what the senders were merged to */
    public function lose(string $levels, WhenLost $whenLost, int $now): void
    {
        $this->levels = $whenLost->rule === LossRule::Stop ? Bytes::$none : $levels;
        $this->isFilled = true;
        $this->stopped = $whenLost->rule === LossRule::Stop;
        $this->fade = $whenLost->rule === LossRule::Fade ? new Fade($levels, $whenLost->look, $now, $whenLost->fadeNanos) : null;
    }

    /**
     * @param string $defaults 512 bytes, by the patch; '' for 0
     *
     * @return string 512 bytes: what shows where nobody gives a slot
     */
    public function below(bool $hasSenders, string $defaults): string
    {
        return match (true) {
            $this->isFilled && ! $hasSenders => $this->levels,
            $defaults === '' => Bytes::$none,
            default => $defaults,
        };
    }

    /** @param string $levels 512 bytes */
    public function resume(string $levels, bool $stopped, ?Fade $fade, bool $isFilled): void
    {
        $this->levels = $levels;
        $this->isFilled = $isFilled;
        $this->stopped = $stopped;
        $this->fade = $fade;
    }

    /** A sender has the universe again. */
    public function end(): void
    {
        $this->stopped = false;
        $this->fade = null;
    }

    /** When fadeOn() is to be called next; PHP_INT_MAX while nothing fades. */
    public function fadeDueAt(int $now): int
    {
        return $this->fade === null ? \PHP_INT_MAX : $now + Fade::STEP_NANOS;
    }

    /** @return bool whether the levels may have moved */
    public function fadeOn(WideParameters $wide, int $now): bool
    {
        if ($this->fade === null) {
            return false;
        }
        $this->levels = $this->fade->levels($now, $wide);
        if ($this->fade->isOver($now)) {
            $this->fade = null;
        }

        return true;
    }
}
