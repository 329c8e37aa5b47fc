<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document;

/** One thing that is wrong with a show document: where, what, and what is allowed. */
final readonly class Fault
{
    /** @param string $path JSON Pointer (RFC 6901) into the document */
    public function __construct(public string $path, public string $problem, public string $allowed)
    {
    }

    public function spelled(): string
    {
        return ($this->path === '' ? 'the document' : $this->path).": {$this->problem}. {$this->allowed}";
    }
}
