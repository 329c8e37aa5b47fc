<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Cell;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;

/** IPv4 addresses and networks, like 10.0.0.0/8. */
final class Networks extends Field
{
    public function __construct(string $name, string $label, private readonly int $most)
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
        return $fields->networks($this->name, $this->most);
    }

    protected function shape(): array
    {
        return [
            'type' => 'array',
            'maxItems' => $this->most,
            'items' => ['type' => 'string', 'pattern' => '^\\d{1,3}(\\.\\d{1,3}){3}(/\\d{1,2})?$'],
        ];
    }
}
