<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;

/** Where a control stands in a layout of its own for the other orientation. */
final readonly class Place implements Part
{
    /** @param string $control id of the control; one that the page does not have counts for nothing */
    public function __construct(
        public string $control,
        public int $column = 1,
        public int $row = 1,
        public int $width = 1,
        public int $height = 1,
    ) {
    }

    public static function label(): string
    {
        return 'Place of a control';
    }

    public static function fields(): array
    {
        return [Field::text('control', 'Control', null, 60), ...Box::fields()];
    }

    public function box(): Box
    {
        return new Box($this->column, $this->row, $this->width, $this->height);
    }
}
