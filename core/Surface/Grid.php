<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface;

use NimbleJunction\Core\Document\Fields;

/** A page's grid: nothing stands outside of it, and nothing on something else. */
final readonly class Grid
{
    public function __construct(private int $columns, private int $rows)
    {
    }

    /**
     * @param string $list field that holds what stands on it
     * @param list<Box> $boxes of those, in their order
     * @param list<string> $names what people call them
     */
    public function check(Fields $fields, string $list, array $boxes, array $names): void
    {
        foreach ($boxes as $i => $box) {
            if ($box->lastColumn() > $this->columns || $box->lastRow() > $this->rows) {
                $fields->fault(
                    "{$list}/{$i}",
                    "\"{$names[$i]}\" ends at column {$box->lastColumn()}, row {$box->lastRow()}",
                    "The page has {$this->columns} columns and {$this->rows} rows: make it smaller, or give the page more.",
                );
            }
            foreach (\array_slice($boxes, 0, $i) as $k => $other) {
                if ($box->overlaps($other)) {
                    $fields->fault("{$list}/{$i}", "\"{$names[$i]}\" lies on \"{$names[$k]}\"", 'Move one of them.');
                }
            }
        }
    }
}
