<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document;

/** One column of the table of a list: a field, or a field of an object that it holds. */
final readonly class Column
{
    /**
     * @param string $path like "receive/port"
     * @param bool $isObject it only says whether the object is there; what it holds has columns of its own
     */
    public function __construct(public string $path, public string $label, public Cell $cell, public bool $isObject = false)
    {
    }

    /** The same within an object. */
    public function within(string $name, string $label): self
    {
        return new self(
            "{$name}/{$this->path}",
            $this->label === $label ? $label : "{$label}: {$this->label}",
            $this->cell,
            $this->isObject,
        );
    }
}
