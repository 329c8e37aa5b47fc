<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Cell;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Document\Reading;
use NimbleJunction\Core\Document\Schema;

/** A list of objects that are all alike. */
final class Parts extends Field
{
    /** @param class-string<Part> $class */
    public function __construct(
        string $name,
        string $label,
        private readonly string $class,
        private readonly int $most,
        private readonly int $least = 0,
    ) {
        parent::__construct($name, $label, [], $least > 0);
    }

    public function type(): string
    {
        return 'objects';
    }

    protected function cell(): Cell
    {
        return Cell::Structure;
    }

    public function contains(): array
    {
        return [Schema::nameOf($this->class) => [$this->class]];
    }

    /** @return list<Part> */
    protected function value(Fields $fields, Reading $reading): array
    {
        $parts = [];
        foreach ($fields->objects($this->name, $this->most) as $one) {
            $parts[] = $reading->inner()->part($one, $this->class);
            $one->close();
        }

        return $parts;
    }

    protected function shape(): array
    {
        $least = $this->least > 0 ? ['minItems' => $this->least] : [];

        return [
            'type' => 'array',
            ...$least,
            'maxItems' => $this->most,
            'items' => ['$ref' => '#/$defs/'.Schema::nameOf($this->class)],
        ];
    }

    protected function details(): array
    {
        return ['of' => Schema::nameOf($this->class), 'part' => Schema::described($this->class), 'most' => $this->most];
    }
}
