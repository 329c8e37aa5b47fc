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

/** One object that is of another class for each word of another field, as a side of a port is for each protocol. */
final class Side extends Field
{
    /** @param array<string, class-string<Part>> $classes by word */
    public function __construct(string $name, string $label, private readonly string $at, private readonly array $classes)
    {
        parent::__construct($name, $label, null, false);
    }

    public function type(): string
    {
        return 'side';
    }

    /** Those of all sides: what one of them does not have stays empty there. */
    public function columns(): array
    {
        $columns = [new Column($this->name, $this->label, Cell::Flag, true)];
        foreach ($this->classes as $class) {
            array_push(
                $columns,
                ...array_map(fn(Column $inner): Column => $inner->within($this->name, $this->label), Table::columnsOf($class)),
            );
        }

        return $columns;
    }

    public function contains(): array
    {
        return ["{$this->name}Side" => array_values($this->classes)];
    }

    protected function value(Fields $fields, Reading $reading): ?Part
    {
        $class = $this->classes[$reading->word($this->at)] ?? null;
        $one = $fields->object($this->name);
        if ($one === null || $class === null) {
            $one?->leave();

            return null;
        }
        $part = $reading->inner($this->name)->part($one, $class);
        $one->close();

        return $part;
    }

    protected function shape(): array
    {
        return ['$ref' => "#/\$defs/{$this->name}Side"];
    }

    protected function details(): array
    {
        return ['at' => $this->at, 'sides' => (object) array_map(Schema::described(...), $this->classes)];
    }
}
