<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document;

/** A list of parts as a table: a row a part, and a column for each field that any of them may have. */
final readonly class Table
{
    /** @var array<string, Column> by path */
    public array $columns;

    /** @param class-string<Part> $class */
    public function __construct(string $class)
    {
        $columns = [];
        foreach (self::columnsOf($class) as $column) {
            $same = $columns[$column->path] ?? $column;
            // Where one field is now this, now that, the cell says it itself.
            $columns[$column->path] = $same->cell === $column->cell
                ? $same
                : new Column($same->path, $same->label, Cell::Anything);
        }
        $this->columns = $columns;
    }

    /**
     * @param class-string<Part> $class
     *
     * @return list<Column>
     */
    public static function columnsOf(string $class): array
    {
        $columns = [];
        foreach (Reading::fieldsOf($class) as $field) {
            array_push($columns, ...$field->columns());
        }

        return $columns;
    }

    /** @return list<array{path: string, label: string, isObject: bool}> what a page needs to order a list by its columns */
    public function described(): array
    {
        return array_map(
            static fn(Column $column): array => [
                'path' => $column->path,
                'label' => $column->label,
                'isObject' => $column->isObject,
            ],
            array_values($this->columns),
        );
    }

    /**
     * @param array<mixed> $part as it stands in the document
     *
     * @return array<string, string> cells by path
     */
    public function row(array $part): array
    {
        $row = [];
        foreach ($this->columns as $path => $column) {
            $value = self::at($part, explode('/', $path));
            $row[$path] = $column->isObject ? ($value === null ? '' : 'yes') : $column->cell->spelled($value);
        }

        return $row;
    }

    /**
     * @param array<string, string> $cells by path; an empty one leaves its field out
     * @param array<mixed> $part what the fields without a cell are taken from
     *
     * @return array<mixed> the part as it stands in the document
     */
    public function part(array $cells, array $part): array
    {
        foreach ($cells as $path => $cell) {
            $column = $this->columns[$path];
            $names = explode('/', $path);
            if (! $column->isObject) {
                $part = self::with($part, $names, $cell === '' ? null : $column->cell->read($cell));
            } elseif (Cell::Flag->read($cell) === true && self::at($part, $names) === null) {
                $part = self::with($part, $names, []);
            } elseif ($cell === '' || Cell::Flag->read($cell) === false) {
                $part = self::with($part, $names, null);
            }
        }

        return $part;
    }

    /**
     * PHP has one kind of array: an object with nothing in it has to be told from a list, or JSON says "[]".
     *
     * @param array<mixed> $part
     *
     * @return array<mixed> ready for JSON
     */
    public function withObjects(array $part): array
    {
        foreach ($this->columns as $path => $column) {
            $names = explode('/', $path);
            if ($column->isObject && self::at($part, $names) === []) {
                $part = self::with($part, $names, new \stdClass());
            }
        }

        return $part;
    }

    /**
     * @param array<mixed> $part
     * @param non-empty-list<string> $names
     */
    public static function at(array $part, array $names): mixed
    {
        $value = $part;
        foreach ($names as $name) {
            if (! \is_array($value)) {
                return null;
            }
            $value = $value[$name] ?? null;
        }

        return $value;
    }

    /**
     * The part with another value at a path; null takes the field out, and objects that are not there are made.
     *
     * @param array<mixed> $part
     * @param non-empty-list<string> $names
     *
     * @return array<mixed>
     */
    public static function with(array $part, array $names, mixed $value): array
    {
        $name = array_shift($names);
        if ($names !== []) {
            $inner = $part[$name] ?? null;
            if (! \is_array($inner) && $value === null) {
                return $part;
            }
            $value = self::with(\is_array($inner) ? $inner : [], $names, $value);
        }
        if ($value === null) {
            unset($part[$name]);
        } else {
            $part[$name] = $value;
        }

        return $part;
    }
}
