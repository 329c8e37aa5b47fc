<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;

/** The id of a part: its own, or that of another one which it names. */
final class Id extends Field
{
    /** @param string $of "id" for its own; what it names: "port", "universe", "profile" */
    public function __construct(string $name, string $label, private readonly string $of, bool $isNeeded)
    {
        parent::__construct($name, $label, $isNeeded ? null : '', $isNeeded);
    }

    public function type(): string
    {
        return $this->of;
    }

    protected function value(Fields $fields, Reading $reading): string
    {
        return $fields->id($this->name);
    }

    protected function shape(): array
    {
        return ['$ref' => '#/$defs/id'];
    }
}
