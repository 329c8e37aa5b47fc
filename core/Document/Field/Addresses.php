<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Cell;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;

/** IPv4 addresses of others, also those of everybody in a network. */
final class Addresses extends Field
{
    public function __construct(string $name, string $label, private readonly int $most)
    {
        parent::__construct($name, $label, [], false);
    }

    public function type(): string
    {
        return 'addresses';
    }

    protected function cell(): Cell
    {
        return Cell::Series;
    }

    /** @return list<string> */
    protected function value(Fields $fields, Reading $reading): array
    {
        return $fields->addresses($this->name, $this->most);
    }

    protected function shape(): array
    {
        return ['type' => 'array', 'maxItems' => $this->most, 'items' => ['type' => 'string', 'format' => 'ipv4']];
    }
}
