<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Pixels;

use NimbleJunction\Core\Pixels\Layout;
use NimbleJunction\Core\Pixels\Layout\Corner;
use NimbleJunction\Core\Pixels\Layout\Direction;
use NimbleJunction\Core\Pixels\Layout\Line;
use NimbleJunction\Core\Pixels\Layout\Rectangle;
use NimbleJunction\Core\Pixels\Layout\Ring;
use NimbleJunction\Core\Pixels\Layout\Table;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Where the pixels of a line are; all pictures drawn by hand. */
final class LayoutTest extends TestCase
{
    /** @return iterable<string, array{Layout, list<string>}> rows of a picture, the number of the pixel at each place */
    public static function pictures(): iterable
    {
        $panel = static fn(
            Corner $corner,
            Direction $direction,
            bool $zigzag,
        ): Rectangle => new Rectangle(4, 3, $corner, $direction, $zigzag);
        yield 'every row from the left' => [$panel(Corner::TopLeft, Direction::Rows, false), ['1 2 3 4', '5 6 7 8', '9 10 11 12']];
        yield 'zig-zag' => [$panel(Corner::TopLeft, Direction::Rows, true), ['1 2 3 4', '8 7 6 5', '9 10 11 12']];
        yield 'zig-zag from the bottom right' => [$panel(Corner::BottomRight, Direction::Rows, true), ['12 11 10 9', '5 6 7 8', '4 3 2 1']];
        yield 'columns from the top' => [$panel(Corner::TopLeft, Direction::Columns, false), ['1 4 7 10', '2 5 8 11', '3 6 9 12']];
        yield 'columns, zig-zag, from the top right' => [$panel(Corner::TopRight, Direction::Columns, true), ['12 7 6 1', '11 8 5 2', '10 9 4 3']];
        yield 'columns, zig-zag, from the bottom left' => [$panel(Corner::BottomLeft, Direction::Columns, true), ['3 4 9 10', '2 5 8 11', '1 6 7 12']];
        yield 'two places without a pixel' => [
            new Rectangle(4, 2, Corner::TopLeft, Direction::Rows, true, [2, 8]),
            ['1 - 2 3', '6 5 4 -'],
        ];
        yield 'a line' => [new Line(3, false, false), ['1 2 3']];
        yield 'a line from the right' => [new Line(3, false, true), ['3 2 1']];
        yield 'a line upwards' => [new Line(3, true, true), ['3', '2', '1']];
        yield 'a table' => [new Table(['1/0', '0 / 1', '2/1']), ['- 1 -', '2 - 3']];
    }

    /** @param list<string> $rows */
    #[DataProvider('pictures')]
    public function testPicture(Layout $layout, array $rows): void
    {
        $expected = [];
        foreach ($rows as $y => $row) {
            foreach (explode(' ', $row) as $x => $number) {
                $expected += $number === '-' ? [] : [(int) $number => [(float) $x, (float) $y]];
            }
        }
        ksort($expected);
        self::assertSame(array_values($expected), $layout->places());
        self::assertSame(\count($expected), $layout->count());
    }

    public function testARingOfFourBeginsWhereItIsToldAndTurnsAsItIsTold(): void
    {
        // Four on a ring, one apart: the corners of a square that stands on its tip.
        $half = sqrt(0.5);
        foreach ([[0.0, false, [1, 0], [2, 1]], [90.0, true, [2, 1], [1, 0]]] as [$start, $isBack, $first, $second]) {
            $places = (new Ring(4, $start, $isBack))->places();
            self::assertEqualsWithDelta([$first[0] * $half, $first[1] * $half], $places[0], 1e-9);
            self::assertEqualsWithDelta([$second[0] * $half, $second[1] * $half], $places[1], 1e-9);
            self::assertEqualsWithDelta(1.0, hypot($places[1][0] - $places[0][0], $places[1][1] - $places[0][1]), 1e-9);
        }
    }
}
