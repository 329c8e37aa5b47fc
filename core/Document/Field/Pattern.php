<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;

/** A text of a certain form. */
final class Pattern extends Field
{
    /**
     * @param string $pattern PCRE with # around it
     * @param string $rule the same in words
     */
    public function __construct(
        string $name,
        string $label,
        private readonly string $pattern,
        private readonly string $rule,
        bool $isNeeded,
    ) {
        parent::__construct($name, $label, $isNeeded ? null : '', $isNeeded);
    }

    public function type(): string
    {
        return 'text';
    }

    protected function value(Fields $fields, Reading $reading): string
    {
        return $fields->matching($this->name, $this->pattern, $this->rule);
    }

    protected function shape(): array
    {
        // As ECMA-262 writes it, which JSON Schema asks for: without the delimiters and the flags.
        $inner = (string) preg_replace('~^#(.*)#[uD]*$~s', '$1', $this->pattern);

        return ['type' => 'string', 'pattern' => str_replace('\\#', '#', $inner)];
    }
}
