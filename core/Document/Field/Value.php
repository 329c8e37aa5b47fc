<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Cell;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;

/** A number, a text, or true and false. */
final class Value extends Field
{
    public function __construct(string $name, string $label, bool $isNeeded)
    {
        parent::__construct($name, $label, null, $isNeeded);
    }

    public function type(): string
    {
        return 'value';
    }

    protected function cell(): Cell
    {
        return Cell::Anything;
    }

    protected function value(Fields $fields, Reading $reading): int|float|string
    {
        return $fields->value($this->name);
    }

    protected function shape(): array
    {
        return ['type' => ['number', 'string', 'boolean']];
    }
}
