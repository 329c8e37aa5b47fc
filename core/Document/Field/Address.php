<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;

/** An IPv4 address. */
final class Address extends Field
{
    public function __construct(string $name, string $label)
    {
        parent::__construct($name, $label, null, true);
    }

    public function type(): string
    {
        return 'text';
    }

    protected function value(Fields $fields, Reading $reading): string
    {
        return $fields->address($this->name);
    }

    protected function shape(): array
    {
        return ['type' => 'string', 'format' => 'ipv4'];
    }
}
