<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Cell;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;

/** Any number of texts. */
final class TextList extends Field
{
    public function __construct(string $name, string $label, private readonly int $most, private readonly int $longest)
    {
        parent::__construct($name, $label, [], false);
    }

    public function type(): string
    {
        return 'texts';
    }

    protected function cell(): Cell
    {
        return Cell::Series;
    }

    /** @return list<string> */
    protected function value(Fields $fields, Reading $reading): array
    {
        return $fields->phrases($this->name, $this->most, $this->longest);
    }

    protected function shape(): array
    {
        return [
            'type' => 'array',
            'maxItems' => $this->most,
            'items' => ['type' => 'string', 'minLength' => 1, 'maxLength' => $this->longest],
        ];
    }
}
