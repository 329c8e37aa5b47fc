<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

/** What a playback is to begin later: its delay has not passed yet. */
final readonly class Waiting
{
    /**
     * @param int $at on the playback's clock
     * @param array<string, Target> $targets by key of the lane
     */
    public function __construct(public int $at, public array $targets, public Times $times)
    {
    }

    /**
     * Those that nothing else was said of since.
     *
     * @param array<string, mixed> $others by key of the lane
     */
    public function without(array $others): self
    {
        return new self($this->at, array_diff_key($this->targets, $others), $this->times);
    }
}
