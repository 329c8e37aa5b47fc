<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;
use NimbleJunction\Core\Point\Reference;

/** A reference to something that has a value. */
final class Point extends Field
{
    public function __construct(string $name, string $label, bool $isNeeded = true)
    {
        parent::__construct($name, $label, null, $isNeeded);
    }

    public function type(): string
    {
        return 'point';
    }

    protected function value(Fields $fields, Reading $reading): ?Reference
    {
        if (! $this->isNeeded && ! $fields->has($this->name)) {
            return null;
        }

        return Reference::parse($fields->matching($this->name, Reference::PATTERN, Reference::RULE));
    }

    protected function shape(): array
    {
        return ['$ref' => '#/$defs/point'];
    }
}
