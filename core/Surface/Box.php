<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface;

use NimbleJunction\Core\Document\Field;

/** Fields of a page's grid that something takes up; column and row of its upper left one, from 1. */
final readonly class Box
{
    public function __construct(public int $column, public int $row, public int $width, public int $height)
    {
    }

    /** @return list<Field> how a document says it */
    public static function fields(): array
    {
        return [
            Field::whole('column', 'Column', 1, Page::MOST_COLUMNS, 1),
            Field::whole('row', 'Row', 1, Page::MOST_ROWS, 1),
            Field::whole('width', 'Columns wide', 1, Page::MOST_COLUMNS, 1),
            Field::whole('height', 'Rows high', 1, Page::MOST_ROWS, 1),
        ];
    }

    public function lastColumn(): int
    {
        return $this->column + $this->width - 1;
    }

    public function lastRow(): int
    {
        return $this->row + $this->height - 1;
    }

    public function overlaps(self $other): bool
    {
        return $this->column <= $other->lastColumn() && $other->column <= $this->lastColumn()
            && $this->row <= $other->lastRow() && $other->row <= $this->lastRow();
    }
}
