<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Cell;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;

/** Any number of whole numbers. */
final class WholeList extends Field
{
    public function __construct(
        string $name,
        string $label,
        private readonly int $most,
        private readonly int $low,
        private readonly int $high,
    ) {
        parent::__construct($name, $label, [], false);
    }

    public function type(): string
    {
        return 'list';
    }

    protected function cell(): Cell
    {
        return Cell::Series;
    }

    /** @return list<int> */
    protected function value(Fields $fields, Reading $reading): array
    {
        return $fields->wholes($this->name, $this->most, $this->low, $this->high);
    }

    protected function shape(): array
    {
        return [
            'type' => 'array',
            'maxItems' => $this->most,
            'items' => ['type' => 'integer', 'minimum' => $this->low, 'maximum' => $this->high],
        ];
    }

    protected function details(): array
    {
        return ['low' => $this->low, 'high' => $this->high];
    }
}
