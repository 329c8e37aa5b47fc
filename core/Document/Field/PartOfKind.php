<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Cell;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Document\Reading;

/** One part that says of what kind it is. */
final class PartOfKind extends Field
{
    public function __construct(string $name, string $label, private readonly string $of, bool $isNeeded = true)
    {
        parent::__construct($name, $label, null, $isNeeded);
    }

    public function type(): string
    {
        return 'part';
    }

    protected function cell(): Cell
    {
        return Cell::Structure;
    }

    protected function value(Fields $fields, Reading $reading): ?Kind
    {
        return $reading->kinds->readOne($fields, $this->name, $this->of, $reading);
    }

    protected function shape(): array
    {
        return ['$ref' => "#/\$defs/{$this->of}"];
    }

    protected function details(): array
    {
        return ['of' => $this->of];
    }
}
