<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Cell;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;

/** So many numbers, as a range is two. */
final class Numbers extends Field
{
    /** @param list<float> $usual as many as are needed */
    public function __construct(
        string $name,
        string $label,
        private readonly float $low,
        private readonly float $high,
        private readonly array $usual,
    ) {
        parent::__construct($name, $label, $usual, false);
    }

    public function type(): string
    {
        return 'numbers';
    }

    protected function cell(): Cell
    {
        return Cell::Series;
    }

    /** @return list<float> */
    protected function value(Fields $fields, Reading $reading): array
    {
        $numbers = $fields->numbers($this->name, \count($this->usual), $this->low, $this->high);
        if (\count($numbers) === \count($this->usual)) {
            return $numbers;
        }
        $fields->fault($this->name, \count($numbers).' numbers are there', 'Give '.\count($this->usual).' numbers.');

        return $this->usual;
    }

    protected function shape(): array
    {
        $count = \count($this->usual);

        return [
            'type' => 'array',
            'minItems' => $count,
            'maxItems' => $count,
            'items' => ['type' => 'number', 'minimum' => $this->low, 'maximum' => $this->high],
        ];
    }

    protected function details(): array
    {
        return ['low' => $this->low, 'high' => $this->high];
    }
}
