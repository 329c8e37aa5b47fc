<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Pixels\Layout;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\WholeList;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Pixels\Layout;
use NimbleJunction\Core\Pixels\PixelMap;

/** A panel of rows and columns: the line begins in a corner, and runs back and forth, or every time from the same side. */
final readonly class Rectangle implements Layout, Checked
{
    private const LONGEST = 512;

    /** @var array<int, true> places without a pixel, from 0 */
    private array $without;

    /** @param list<int> $without places that have no pixel, counted from 1 row by row from the top left */
    public function __construct(
        public int $columns,
        public int $rows,
        public Corner $corner,
        public Direction $direction,
        public bool $zigzag,
        array $without = [],
    ) {
        $inside = array_filter($without, static fn(int $one): bool => $one <= $columns * $rows);
        $this->without = array_fill_keys(array_map(static fn(int $one): int => $one - 1, $inside), true);
    }

    public static function kind(): string
    {
        return 'rectangle';
    }

    public static function label(): string
    {
        return 'Rectangle';
    }

    public static function fields(): array
    {
        return [
            Field::whole('columns', 'Columns', 1, self::LONGEST, 16),
            Field::whole('rows', 'Rows', 1, self::LONGEST, 8),
            Field::choice('corner', 'Begins', Corner::class, Corner::TopLeft)->called(Corner::TITLES),
            Field::choice('direction', 'Runs', Direction::class, Direction::Rows)->called(Direction::TITLES),
            Field::flag('zigzag', 'Zig-zag', false)->meaning('Every second row or column runs back.'),
            (new WholeList('without', 'Places without a pixel', PixelMap::MOST, 1, self::LONGEST ** 2))
                ->meaning('Counted from 1, row by row from the top left.'),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->count() > PixelMap::MOST) {
            $fields->fault('rows', "these are {$this->count()} pixels", 'A pixel map has '.PixelMap::MOST.' at most: make two.');
        }
        if ($this->count() < 1) {
            $fields->fault('without', 'no pixel is left', 'Leave at least one.');
        }
    }

    public function count(): int
    {
        return $this->columns * $this->rows - \count($this->without);
    }

    public function places(): array
    {
        $isByRows = $this->direction === Direction::Rows;
        [$lines, $length] = $isByRows ? [$this->rows, $this->columns] : [$this->columns, $this->rows];
        $places = [];
        for ($line = 0; $line < $lines; ++$line) {
            for ($step = 0; $step < $length; ++$step) {
                $along = $this->zigzag && $line % 2 === 1 ? $length - 1 - $step : $step;
                [$x, $y] = $isByRows ? [$along, $line] : [$line, $along];
                $x = $this->corner->isRight() ? $this->columns - 1 - $x : $x;
                $y = $this->corner->isBottom() ? $this->rows - 1 - $y : $y;
                if (! isset($this->without[$y * $this->columns + $x])) {
                    $places[] = [(float) $x, (float) $y];
                }
            }
        }

        return $places;
    }
}
