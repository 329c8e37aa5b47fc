<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Desk\Grammar;

/** A word of the desk; its first letters are enough, where nothing else begins with them. */
final readonly class FixedWord implements Piece
{
    public function __construct(private string $word)
    {
    }

    public function read(Typed $typed): ?string
    {
        $isBegun = ! $typed->isQuoted
            && $typed->text !== ''
            && str_starts_with(mb_strtolower($this->word), mb_strtolower($typed->text));

        return $isBegun ? $this->word : null;
    }

    public function name(): string
    {
        return '';
    }

    public function allowed(): string
    {
        return "\"{$this->word}\"";
    }

    public function words(): array
    {
        return [$this->word];
    }
}
