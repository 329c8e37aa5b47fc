<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Rerouting;

use NimbleJunction\Core\Document\Kind;

/** Something that is done to many routes at once. A new one is a class, named in Reroutings. */
interface Rerouting extends Kind
{
    /** @return string what it does, in the words that undo uses */
    public function summary(int $count): string;

    /**
     * @param array<mixed> $part a trigger, an action, a message: any part of a route of the document that has a kind
     * @param bool $isCause whether it is what the route waits for
     *
     * @return array<mixed> as it is to be; what lies within it is dealt with by itself
     */
    public function part(array $part, bool $isCause): array;
}
