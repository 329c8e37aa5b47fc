<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;

/** A text. */
final class Text extends Field
{
    public function __construct(string $name, string $label, ?string $default, private readonly int $longest)
    {
        parent::__construct($name, $label, $default, $default === null);
    }

    public function type(): string
    {
        return 'text';
    }

    protected function value(Fields $fields, Reading $reading): string
    {
        return $fields->string($this->name, $this->longest);
    }

    protected function shape(): array
    {
        return ['type' => 'string', 'minLength' => 1, 'maxLength' => $this->longest];
    }
}
