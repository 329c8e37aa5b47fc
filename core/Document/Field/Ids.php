<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Cell;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;

/** The ids of any number of parts of one list. */
final class Ids extends Field
{
    /** @param string $of what they are ids of: "fixture" */
    public function __construct(string $name, string $label, private readonly string $of, private readonly int $most)
    {
        parent::__construct($name, $label, [], false);
    }

    public function type(): string
    {
        return 'ids';
    }

    protected function cell(): Cell
    {
        return Cell::Series;
    }

    /** @return list<string> */
    protected function value(Fields $fields, Reading $reading): array
    {
        return $fields->ids($this->name, $this->most);
    }

    protected function shape(): array
    {
        return ['type' => 'array', 'maxItems' => $this->most, 'items' => ['$ref' => '#/$defs/id']];
    }

    protected function details(): array
    {
        return ['of' => $this->of, 'most' => $this->most];
    }
}
