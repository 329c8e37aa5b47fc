<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;

/** One of our own addresses, or the name of one of our network adapters; 0.0.0.0 for all. */
final class OurAddress extends Field
{
    private const ALL = '0.0.0.0';

    public function __construct(string $name, string $label)
    {
        parent::__construct($name, $label, self::ALL, false);
    }

    public function type(): string
    {
        return 'our-address';
    }

    protected function value(Fields $fields, Reading $reading): string
    {
        return $fields->ourAddress($this->name, self::ALL);
    }

    protected function shape(): array
    {
        return ['type' => 'string', 'anyOf' => [['format' => 'ipv4'], ['pattern' => '^[A-Za-z][A-Za-z0-9._-]{0,14}$']]];
    }
}
