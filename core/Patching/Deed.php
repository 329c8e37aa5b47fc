<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patching;

use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowRefused;

/** Something that is done to the patch in one go: many at once, a move, a swap. A new one is a class, named in Deeds. */
interface Deed extends Kind
{
    /** @return string what it does, in the words that undo uses */
    public function summary(): string;

    /**
     * @return list<Laid> fixtures as they are to be, changed and new
     *
     * @throws ShowRefused when it does not fit, with the reason
     */
    public function lay(Show $show): array;
}
