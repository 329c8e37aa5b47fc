<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Edit;

/** What becomes of one part: from what it was to what it is; null where there was or is none. */
final readonly class Change
{
    public function __construct(public ?Entry $was, public ?Entry $is)
    {
    }

    public function inverse(): self
    {
        return new self($this->is, $this->was);
    }

    /** What the part is called, as long as it is there. */
    public function name(string $id): string
    {
        $name = ($this->is ?? $this->was)->part['name'] ?? null;

        return \is_string($name) && $name !== '' ? $name : $id;
    }
}
