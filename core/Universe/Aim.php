<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Patch\Calibration;
use NimbleJunction\Core\Patch\Parameter;
use NimbleJunction\Core\Patch\Placement;

/** Pan and tilt of one fixture: turned as it hangs, and kept within its rectangle. */
final readonly class Aim
{
    public function __construct(private Placement $pan, private Placement $tilt, private Calibration $calibration)
    {
    }

    /**
     * What is asked for, as this fixture has to be told.
     *
     * @param string $levels 512 bytes
     */
    public function turn(string $levels): string
    {
        $calibration = $this->calibration;
        $pan = self::share($this->pan, $levels);
        $tilt = self::share($this->tilt, $levels);
        if ($calibration->swapped) {
            [$pan, $tilt] = [$tilt, $pan];
        }
        $pan = self::turned($pan, $calibration->panInverted, $calibration->panOffset, $this->pan->placed->parameter);
        $tilt = self::turned($tilt, $calibration->tiltInverted, $calibration->tiltOffset, $this->tilt->placed->parameter);

        return self::lay(self::lay($levels, $this->pan, $pan), $this->tilt, $tilt);
    }

    /**
     * Whoever asks, and whoever holds it: the rectangle is never left.
     *
     * @param string $levels 512 bytes
     */
    public function keep(string $levels): string
    {
        $calibration = $this->calibration;
        $levels = self::kept($levels, $this->pan, $calibration->panLow, $calibration->panHigh);

        return self::kept($levels, $this->tilt, $calibration->tiltLow, $calibration->tiltHigh);
    }

    /** @param int $slot 0 to 511 */
    public function explain(int $slot): string
    {
        $isIts = \in_array($slot, [...$this->pan->slots, ...$this->tilt->slots], true);

        return $isIts ? "{$this->pan->fixture->name} is calibrated: turned as it hangs, and kept within its limits." : '';
    }

    private static function share(Placement $placement, string $levels): float
    {
        return $placement->placed->parameter->share($placement->valueIn($levels));
    }

    private static function turned(float $share, bool $isInverted, float $offset, Parameter $parameter): float
    {
        [$low, $high] = $parameter->ends();

        return ($isInverted ? 1 - $share : $share) + $offset / ($high - $low);
    }

    private static function kept(string $levels, Placement $placement, ?float $low, ?float $high): string
    {
        $parameter = $placement->placed->parameter;
        $is = $parameter->inUnit(self::share($placement, $levels));
        $kept = max($low ?? $is, min($high ?? $is, $is));

        return $kept === $is ? $levels : self::lay($levels, $placement, $parameter->shareOf($kept));
    }

    private static function lay(string $levels, Placement $placement, float $share): string
    {
        foreach ($placement->levels($placement->placed->parameter->value($share)) as $slot => $level) {
            $levels[$slot] = \chr($level);
        }

        return $levels;
    }
}
