<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Cell;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;

/** True or false. */
final class Flag extends Field
{
    private string $like = '';

    public function __construct(string $name, string $label, bool $default)
    {
        parent::__construct($name, $label, $default, false);
    }

    /** Where it is left out, it is like another field of its part. */
    public function like(string $field): self
    {
        $this->like = $field;

        return $this;
    }

    public function type(): string
    {
        return 'flag';
    }

    protected function cell(): Cell
    {
        return Cell::Flag;
    }

    public function usual(Reading $reading): mixed
    {
        return $this->like === '' ? $this->default : $reading->find($this->like) === true;
    }

    protected function value(Fields $fields, Reading $reading): bool
    {
        return $fields->flag($this->name, $this->default === true);
    }

    protected function shape(): array
    {
        return ['type' => 'boolean'];
    }

    protected function details(): array
    {
        return ['like' => $this->like];
    }
}
