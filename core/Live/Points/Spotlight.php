<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Points;

use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Core\Universe\Universe;

/** Holds that show where something is, and that leave everything exactly as it was, what people hold included. */
final class Spotlight
{
    /**
     * @param array<int, int> $levels by slot from 0
     * @param string $what is shown: the same word lets it go
     * @param int $until in nanoseconds of the junction's clock
     */
    public static function light(Universe $universe, array $levels, string $what, string $by, int $until): void
    {
        $held = $universe->wayOut()->holds();
        $holds = [];
        foreach ($levels as $slot => $level) {
            $was = $held[$slot] ?? null;
            $under = $was?->lights === $what ? $was->under : $was;
            $holds[] = new Hold($slot, $level, $by, $until, false, $what, $under);
        }
        if ($holds !== []) {
            $universe->hold(...$holds);
        }
    }

    public static function letGo(Universe $universe, string $what, int $now): void
    {
        $under = [];
        foreach ($universe->wayOut()->lighting($what) as $slot => $hold) {
            $universe->release($slot);
            if ($hold->under !== null && $hold->under->until > $now) {
                $under[] = $hold->under;
            }
        }
        if ($under !== []) {
            $universe->hold(...$under);
        }
    }
}
