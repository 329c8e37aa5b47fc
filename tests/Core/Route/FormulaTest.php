<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Route;

use NimbleJunction\Core\Route\Formula;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Arithmetic as it is typed, and nothing else. */
final class FormulaTest extends TestCase
{
    /** @return iterable<string, array{string, float, float|null}> */
    public static function formulas(): iterable
    {
        yield 'precedence' => ['1 + value * 2 ** 3', 2.0, 17.0];
        yield 'a choice' => ['value > 0.5 ? 127 : 0', 0.6, 127.0];
        yield 'a comparison is 0 or 1' => ['value >= 10 and value < 20', 10.0, 1.0];
        yield 'functions' => ['max(abs(value), sqrt(16), round(1.5))', -3.0, 4.0];
        yield 'degrees' => ['round(100 * sin(value))', 30.0, 50.0];
        yield 'a point' => ['value * point("value:scale") / 100', 50.0, 21.0];
        yield 'a remainder' => ['value % 7', 16.0, 2.0];
        yield 'nothing by nothing' => ['value / (value - 1)', 1.0, null];
        yield 'no bounds' => ['value ** 9999', 10.0, null];
        yield 'a root of less than nothing' => ['sqrt(value)', -1.0, null];
    }

    #[DataProvider('formulas')]
    public function testWhatItMakes(string $text, float $value, ?float $made): void
    {
        $points = static fn(string $point): float => $point === 'value:scale' ? 42.0 : 0.0;
        $is = Formula::read($text)->of($value, $points);
        self::assertSame($made, $is === null ? null : round($is, 9));
    }

    /** @return iterable<string, array{string, string}> what is typed, and what is said of it */
    public static function wrong(): iterable
    {
        yield 'half of one' => ['value *', 'something is missing at the end'];
        yield 'two signs' => ['value +* 2', '"*" stands where it does not belong, at character 8'];
        yield 'an unknown name' => ['valeu + 1', '"valeu" is not known here, at character 1'];
        yield 'an unknown function' => ['system(1)', 'there is no function "system"'];
        yield 'a constant of the language' => ['constant("PHP_VERSION")', 'there is no function "constant"'];
        yield 'a text' => ['"a" + 1', 'a text stands where a number is wanted'];
        yield 'a pattern' => ['value matches "/(a+)+$/"', 'matches'];
        yield 'a range that fills the memory' => ['1..999999999', '".." is not known here'];
        yield 'texts put together' => ['value ~ value', '"~" is not known here'];
        yield 'a list' => ['[1, 2, 3]', 'no arithmetic'];
        yield 'something of an object' => ['value.thing', 'no arithmetic'];
        yield 'the closure that reads points' => ['points', '"points" is not known here'];
        yield 'a point by another formula' => ['point(value)', 'point() wants the name of a point'];
        yield 'no point at all' => ['point("here")', 'point() wants the name of a point'];
    }

    #[DataProvider('wrong')]
    public function testWhatIsRefusedAndWhy(string $text, string $words): void
    {
        try {
            Formula::read($text);
            self::fail('it was taken');
        } catch (\InvalidArgumentException $refused) {
            self::assertStringContainsString($words, $refused->getMessage());
        }
    }
}
