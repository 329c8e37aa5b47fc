<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Cell;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;

/** A number. */
final class Number extends Field
{
    public function __construct(
        string $name,
        string $label,
        private readonly float $low,
        private readonly float $high,
        ?float $default,
        bool $isNeeded,
    ) {
        parent::__construct($name, $label, $default, $isNeeded && $default === null);
    }

    public function type(): string
    {
        return 'number';
    }

    protected function cell(): Cell
    {
        return Cell::Number;
    }

    protected function value(Fields $fields, Reading $reading): float
    {
        if (! $fields->has($this->name)) {
            $fields->fault($this->name, 'it is missing', "Use a number from {$this->low} to {$this->high}.");
        }

        return $fields->within(
            $this->name,
            $this->low,
            $this->high,
            \is_float($this->default) ? $this->default : max(0.0, $this->low),
        );
    }

    protected function shape(): array
    {
        return ['type' => 'number', 'minimum' => $this->low, 'maximum' => $this->high];
    }

    protected function details(): array
    {
        return ['low' => $this->low, 'high' => $this->high];
    }
}
