<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface;

/** How well a colour is read on another one. Source: WCAG 2.2, relative luminance and contrast ratio. */
final class Contrast
{
    /** Success criterion 1.4.3, level AA. */
    public const LEAST = 4.5;

    private const DARK = '#000000';
    private const LIGHT = '#ffffff';

    /**
     * @param string $one "#rrggbb"
     * @param string $other "#rrggbb"
     *
     * @return float 1 to 21
     */
    public static function between(string $one, string $other): float
    {
        $a = self::luminance($one);
        $b = self::luminance($other);

        return (max($a, $b) + 0.05) / (min($a, $b) + 0.05);
    }

    /** @return string dark or light, whichever is read better on a colour */
    public static function inkOn(string $under): string
    {
        return self::between(self::DARK, $under) >= self::between(self::LIGHT, $under) ? self::DARK : self::LIGHT;
    }

    private static function luminance(string $colour): float
    {
        $light = static function (int $at) use ($colour): float {
            $share = hexdec(substr($colour, $at, 2)) / 255;

            return $share <= 0.04045 ? $share / 12.92 : (($share + 0.055) / 1.055) ** 2.4;
        };

        return 0.2126 * $light(1) + 0.7152 * $light(3) + 0.0722 * $light(5);
    }
}
