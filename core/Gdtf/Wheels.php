<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Gdtf;

/** The wheels of a fixture type: what each place is called, and its colour. */
final class Wheels
{
    /** @return array<string, list<array{name: string, colour: string}>> places by wheel; a colour is "#rrggbb" or '' */
    public static function of(Element $type): array
    {
        $wheels = [];
        foreach ($type->all('Wheels', 'Wheel') as $wheel) {
            $places = [];
            foreach ($wheel->all('Slot') as $slot) {
                $places[] = [
                    'name' => FixtureTypes::text($slot->get('Name'), 80, ''),
                    'colour' => self::colour($slot->get('Color')),
                ];
            }
            $wheels[$wheel->get('Name')] = $places;
        }

        return $wheels;
    }

    /**
     * CIE 1931 xyY, Y up to 100, to sRGB.
     *
     * Source: IEC 61966-2-1, the matrix from XYZ at D65 and the transfer curve (from memory).
     */
    public static function colour(string $text): string
    {
        $parts = array_map(trim(...), explode(',', $text));
        if (\count($parts) !== 3 || array_filter($parts, is_numeric(...)) !== $parts || (float) $parts[1] <= 0.0) {
            return '';
        }
        [$x, $y, $luminance] = array_map(floatval(...), $parts);
        $height = $luminance / 100;
        $xyz = [$x * $height / $y, $height, (1 - $x - $y) * $height / $y];
        $linear = [
            3.2406 * $xyz[0] - 1.5372 * $xyz[1] - 0.4986 * $xyz[2],
            -0.9689 * $xyz[0] + 1.8758 * $xyz[1] + 0.0415 * $xyz[2],
            0.0557 * $xyz[0] - 0.2040 * $xyz[1] + 1.0570 * $xyz[2],
        ];
        $hex = '#';
        foreach ($linear as $one) {
            $one = max(0.0, min(1.0, $one));
            $curved = $one <= 0.0031308 ? 12.92 * $one : 1.055 * $one ** (1 / 2.4) - 0.055;
            $hex .= str_pad(dechex((int) round(255 * $curved)), 2, '0', \STR_PAD_LEFT);
        }

        return $hex;
    }

    /** The other way round. @param string $colour "#rrggbb" */
    public static function written(string $colour): string
    {
        $linear = [];
        foreach ([1, 3, 5] as $at) {
            $one = hexdec(substr($colour, $at, 2)) / 255;
            $linear[] = $one <= 0.04045 ? $one / 12.92 : (($one + 0.055) / 1.055) ** 2.4;
        }
        [$r, $g, $b] = $linear;
        $x = 0.4124 * $r + 0.3576 * $g + 0.1805 * $b;
        $y = 0.2126 * $r + 0.7152 * $g + 0.0722 * $b;
        $z = 0.0193 * $r + 0.1192 * $g + 0.9505 * $b;
        $sum = $x + $y + $z;

        return $sum <= 0.0 ? '0.3127,0.3290,0' : \sprintf('%.6F,%.6F,%.4F', $x / $sum, $y / $sum, 100 * $y);
    }
}
