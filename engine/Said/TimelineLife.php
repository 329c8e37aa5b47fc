<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** How a timeline stands. */
final readonly class TimelineLife extends Said
{
    /**
     * @param float $at where it is, in its unit, as long as it stands
     * @param float|null $zeroAt milliseconds of the engine's clock when it was, or would have been, at its beginning; null while it stands
     * @param float $unit milliseconds that one of its unit takes
     * @param bool $isRound whether a section goes round and round
     * @param string $section name of the one that it is in; '' for none
     */
    public function __construct(
        public string $id,
        public bool $isOn,
        public bool $isPlaying,
        public float $at,
        public ?float $zeroAt,
        public float $unit,
        public float $rate,
        public bool $loops,
        public bool $isRound,
        public string $section,
    ) {
    }
}
