<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** On which terms a route gives a point a value: how it gets there, against whom, and how it ends. */
final readonly class Terms
{
    public const STAY = 'stay';
    public const RELEASE = 'release';
    public const FADE = 'fade';

    /**
     * @param int|null $priority 0 to 200; null joins whoever is in control
     * @param bool $isHighest among what is ours the highest has it, where the universe says so
     * @param float $fade seconds that it takes to get there
     * @param string $ends stay, release, or fade
     * @param float $after seconds after which it ends by itself; 0 for never
     * @param float $out seconds that it takes to fade out
     */
    public function __construct(
        public ?int $priority = null,
        public bool $isHighest = false,
        public float $fade = 0.0,
        public string $ends = self::STAY,
        public float $after = 0.0,
        public float $out = 0.0,
    ) {
    }

    /** Whether it is set at once, and stays. */
    public function arePlain(): bool
    {
        return $this->fade <= 0.0 && $this->ends === self::STAY && ! $this->isHighest;
    }
}
