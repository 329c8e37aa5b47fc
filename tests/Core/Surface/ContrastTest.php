<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Surface;

use NimbleJunction\Core\Surface\Contrast;
use PHPUnit\Framework\TestCase;

/** Contrast against values that WCAG 2.2 names, and pairs whose ratio its understanding documents give (from memory). */
final class ContrastTest extends TestCase
{
    public function testAgainstTheStandard(): void
    {
        self::assertEqualsWithDelta(21.0, Contrast::between('#000000', '#ffffff'), 1e-9, 'the largest that there is');
        self::assertEqualsWithDelta(1.0, Contrast::between('#336699', '#336699'), 1e-9, 'the smallest');
        self::assertEqualsWithDelta(4.48, Contrast::between('#777777', '#ffffff'), 0.005, 'the grey that just fails on white');
        self::assertEqualsWithDelta(4.54, Contrast::between('#767676', '#ffffff'), 0.005, 'the grey that just passes on white');
    }

    public function testItIsTheSameBothWays(): void
    {
        foreach ([['#123456', '#fedcba'], ['#ff0000', '#00ff00'], ['#0b1d20', '#ece4d0']] as [$one, $other]) {
            self::assertSame(Contrast::between($one, $other), Contrast::between($other, $one));
        }
    }

    public function testWhicheverInkIsChosenByItselfCanBeReadOnAnyColour(): void
    {
        for ($red = 0; $red < 256; $red += 15) {
            for ($green = 0; $green < 256; $green += 15) {
                for ($blue = 0; $blue < 256; $blue += 51) {
                    $colour = sprintf('#%02x%02x%02x', $red, $green, $blue);
                    self::assertGreaterThanOrEqual(Contrast::LEAST, Contrast::between(Contrast::inkOn($colour), $colour), $colour);
                }
            }
        }
    }
}
