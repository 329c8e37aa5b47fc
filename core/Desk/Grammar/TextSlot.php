<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Desk\Grammar;

/** Any text: a word, or several in quotes. */
final readonly class TextSlot implements Piece
{
    public function __construct(private string $name)
    {
    }

    public function read(Typed $typed): ?string
    {
        return $typed->text === '' && ! $typed->isQuoted ? null : '"'.$typed->text.'"';
    }

    public function name(): string
    {
        return $this->name;
    }

    public function allowed(): string
    {
        return "{$this->name}: a word, or several in quotes";
    }

    public function words(): array
    {
        return [];
    }
}
