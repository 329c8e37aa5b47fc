<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Programme;

use NimbleJunction\Core\Programme\Look;
use NimbleJunction\Core\Programme\Playback;

/** A look that gives something, or goes out. */
final class LiveLook
{
    /** 0 to 100; 0 as soon as it goes out. */
    public float $level = 0.0;

    /** What waves add to its level, in per cent. */
    public float $modulation = 0.0;

    /** When it goes out by itself, on its playback's clock; null for not. */
    public ?int $endsAt = null;

    /** When it will be complete, or out, on its playback's clock. */
    public int $completeAt = 0;

    public function __construct(public Look $look, public readonly Playback $playback)
    {
    }

    public static function of(Look $look): self
    {
        return new self($look, new Playback("look {$look->id}", "Look \"{$look->name}\"", $look->priority));
    }
}
