<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

/** The rule for a universe whose last source is gone, with the time that it takes. */
final readonly class WhenLost
{
    public const USUAL_FADE_NANOS = 3_000_000_000;

    /**
     * @param int $fadeNanos used by a fade alone
     * @param string $look 512 bytes that a fade ends at; '' for black
     */
    public function __construct(
        public LossRule $rule = LossRule::Hold,
        public int $fadeNanos = self::USUAL_FADE_NANOS,
        public string $look = '',
    ) {
    }

    public function words(): string
    {
        return match ($this->rule) {
            LossRule::Hold => 'the last levels stay',
            LossRule::Fade => 'fading to '.($this->look === '' ? 'black' : 'its look').' over '.round($this->fadeNanos / 1e9, 1).' s',
            LossRule::Stop => 'sending stops',
        };
    }
}
