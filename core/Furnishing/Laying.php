<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Furnishing;

/** Lays controls on pages of one grid, as they are read, and begins another page where one is full. */
final class Laying
{
    /** @var list<list<array<string, mixed>>> controls, by page */
    private array $controls = [];
    private int $column = 1;
    private int $row = 1;

    /** How high the controls of the row are that is laid. */
    private int $high = 0;

    public function __construct(private readonly string $name, private readonly int $columns, private readonly int $rows)
    {
    }

    /**
     * @param array<string, mixed> $does
     * @param array<string, mixed> $more
     */
    public function add(string $id, string $name, int $width, int $height, array $does, array $more = []): void
    {
        if ($this->column + $width - 1 > $this->columns) {
            $this->nextRow();
        }
        if ($this->controls === [] || $this->row + $height - 1 > $this->rows) {
            $this->controls[] = [];
            $this->column = $this->row = 1;
            $this->high = 0;
        }
        $place = ['column' => $this->column, 'row' => $this->row, 'width' => $width, 'height' => $height];
        $this->controls[\count($this->controls) - 1][] = [
            'id' => $id,
            'name' => mb_substr($name, 0, 60),
            ...$place,
            'does' => $does,
            ...$more,
        ];
        $this->column += $width;
        $this->high = max($this->high, $height);
    }

    /** What comes next stands below what was laid. */
    public function nextRow(): void
    {
        $this->column = 1;
        $this->row += $this->high;
        $this->high = 0;
    }

    /** @return list<array<string, mixed>> */
    public function pages(): array
    {
        return array_map(fn(array $controls, int $i): array => [
            'id' => 'page-'.($i + 1),
            'name' => $i === 0 ? $this->name : "{$this->name} ".($i + 1),
            'columns' => $this->columns,
            'rows' => $this->rows,
            'controls' => $controls,
        ], $this->controls, array_keys($this->controls));
    }
}
