<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timetable;

/**
 * When the sun comes to a height over the horizon, at a place.
 *
 * PHP's date_sun_info() was tried first: it is off by up to four minutes. Source: the solar calculator of the NOAA Global
 * Monitoring Laboratory, after Meeus, Astronomical Algorithms (from memory).
 */
final readonly class Sun
{
    /** Its upper limb at the horizon, and the air that bends light: half a degree and a third below it. */
    public const HORIZON = -0.8333;

    /** Civil twilight begins and ends here. */
    public const TWILIGHT = -6.0;

    private const DAY = 86_400;

    /** Each time it is looked up where it is at the moment that was found the time before. */
    private const ROUNDS = 4;

    /**
     * @param float $latitude degrees, north is positive
     * @param float $longitude degrees, east is positive
     */
    public function __construct(private float $latitude, private float $longitude)
    {
    }

    /**
     * @param int $noon of the day that is meant, in seconds since 1970
     * @param float $height degrees
     * @param bool $isMorning whether it rises to it, or sets
     *
     * @return int|null seconds since 1970; null where it does not come there that day
     */
    public function at(int $noon, float $height, bool $isMorning): ?int
    {
        $at = (float) $noon;
        for ($round = 0; $round < self::ROUNDS; ++$round) {
            [$declination, $ahead] = self::where($at);
            $cosine = (sin(deg2rad($height)) - sin(deg2rad(
                $this->latitude,
            )) * sin($declination)) / (cos(deg2rad($this->latitude)) * cos($declination));
            if (abs($cosine) > 1.0) {
                return null;
            }
            $angle = rad2deg(acos($cosine));
            $at = $this->transit($noon, $ahead) + ($isMorning ? -1.0 : 1.0) * $angle * 240.0;
        }

        return (int) round($at);
    }

    /** When it is highest, within half a day of a noon. */
    private function transit(int $noon, float $ahead): float
    {
        $at = $noon - $noon % self::DAY + self::DAY / 2 - $this->longitude * 240.0 - $ahead * 60.0;

        return $at + round(($noon - $at) / self::DAY) * self::DAY;
    }

    /** @return array{float, float} its declination in radians, and the equation of time in minutes */
    private static function where(float $unix): array
    {
        $century = ($unix / self::DAY + 2440587.5 - 2451545.0) / 36525.0;
        $mean = deg2rad(fmod(280.46646 + $century * (36000.76983 + 0.0003032 * $century), 360.0));
        $anomaly = deg2rad(357.52911 + $century * (35999.05029 - 0.0001537 * $century));
        $eccentricity = 0.016708634 - $century * (0.000042037 + 0.0000001267 * $century);
        $centre = sin($anomaly) * (1.914602 - $century * (0.004817 + 0.000014 * $century))
            + sin(2 * $anomaly) * (0.019993 - 0.000101 * $century)
            + sin(3 * $anomaly) * 0.000289;
        $node = deg2rad(125.04 - 1934.136 * $century);
        $along = $mean + deg2rad($centre - 0.00569 - 0.00478 * sin($node));
        $tilt = 23.0 + (26.0 + (21.448 - $century * (46.815 + $century * (0.00059 - $century * 0.001813))) / 60.0) / 60.0;
        $tilt = deg2rad($tilt + 0.00256 * cos($node));
        $y = tan($tilt / 2) ** 2;
        $ahead = $y * sin(2 * $mean) - 2 * $eccentricity * sin($anomaly) + 4 * $eccentricity * $y * sin($anomaly) * cos(2 * $mean)
            - 0.5 * $y * $y * sin(4 * $mean) - 1.25 * $eccentricity * $eccentricity * sin(2 * $anomaly);

        return [asin(sin($tilt) * sin($along)), 4.0 * rad2deg($ahead)];
    }
}
