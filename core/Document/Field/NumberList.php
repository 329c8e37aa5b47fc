<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Cell;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;

/** Any number of numbers. */
final class NumberList extends Field
{
    public function __construct(
        string $name,
        string $label,
        private readonly int $most,
        private readonly float $low,
        private readonly float $high,
        bool $isNeeded,
    ) {
        parent::__construct($name, $label, $isNeeded ? null : [], $isNeeded);
    }

    public function type(): string
    {
        return 'list';
    }

    protected function cell(): Cell
    {
        return Cell::Series;
    }

    /** @return list<float> */
    protected function value(Fields $fields, Reading $reading): array
    {
        if (! $fields->has($this->name)) {
            $fields->fault($this->name, 'it is missing', 'Use a list of numbers.');
        }

        return $fields->numbers($this->name, $this->most, $this->low, $this->high);
    }

    protected function shape(): array
    {
        $hasRange = $this->high < 1e9;

        return [
            'type' => 'array',
            'maxItems' => $this->most,
            'items' => $hasRange ? ['type' => 'number', 'minimum' => $this->low, 'maximum' => $this->high] : ['type' => 'number'],
        ];
    }

    protected function details(): array
    {
        return ['low' => $this->low, 'high' => $this->high];
    }
}
