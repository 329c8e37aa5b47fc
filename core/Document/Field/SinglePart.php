<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Cell;
use NimbleJunction\Core\Document\Column;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Document\Reading;
use NimbleJunction\Core\Document\Schema;
use NimbleJunction\Core\Document\Table;

/** One object. */
final class SinglePart extends Field
{
    /** @param class-string<Part> $class */
    public function __construct(string $name, string $label, private readonly string $class, bool $isNeeded)
    {
        parent::__construct($name, $label, null, $isNeeded);
    }

    public function type(): string
    {
        return 'object';
    }

    public function columns(): array
    {
        $columns = array_map(
            fn(Column $inner): Column => $inner->within($this->name, $this->label),
            Table::columnsOf($this->class),
        );

        return [new Column($this->name, $this->label, Cell::Flag, true), ...$columns];
    }

    public function usual(Reading $reading): mixed
    {
        $reading->inner($this->name)->noteDefaults($this->class);

        return null;
    }

    public function contains(): array
    {
        return [Schema::nameOf($this->class) => [$this->class]];
    }

    protected function value(Fields $fields, Reading $reading): ?Part
    {
        $one = $fields->object($this->name);
        if ($one === null) {
            return null;
        }
        $part = $reading->inner($this->name)->part($one, $this->class);
        $one->close();

        return $part;
    }

    protected function shape(): array
    {
        return ['$ref' => '#/$defs/'.Schema::nameOf($this->class)];
    }

    protected function details(): array
    {
        return ['of' => Schema::nameOf($this->class), 'part' => Schema::described($this->class)];
    }
}
