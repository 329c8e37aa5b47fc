<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** A cue list that is in a cue, or has one loaded. Times are milliseconds of the engine's clock. */
final readonly class ListLife extends Said
{
    /**
     * @param string $cue number; '' for none
     * @param string $next number of the cue that goes next; '' for none
     * @param bool $isLoaded whether that was loaded by hand
     * @param string $state running, paused, or released
     * @param float|null $from when its cue went; null while it is paused
     * @param float|null $until when that is complete; null while it is paused
     * @param float|null $follows when the next one goes by itself; null for not
     */
    public function __construct(
        public string $id,
        public string $cue,
        public string $next,
        public bool $isLoaded,
        public string $state,
        public float $rate,
        public ?float $from,
        public ?float $until,
        public ?float $follows,
    ) {
    }
}
