<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Desk\Grammar;

/** One place of a form that takes one typed word. */
interface Piece
{
    /** @return string|null how it stands in the whole line; null where it does not fit */
    public function read(Typed $typed): ?string;

    /** @return string its name, where it has a value; '' for a word */
    public function name(): string;

    /** What may stand here, in words. */
    public function allowed(): string;

    /** @return list<string> words that may stand here, for "did you mean" */
    public function words(): array;
}
