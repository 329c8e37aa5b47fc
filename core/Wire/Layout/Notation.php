<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Layout;

use NimbleJunction\Core\Wire\Malformed;

/** A format for people and scripts: every field of a packet under the name that its standard gives it, both ways. */
interface Notation
{
    /** @throws Malformed */
    public function read(string $bytes): Part;

    /**
     * @param array<mixed> $fields as Part::plain() gives them
     *
     * @throws Unwritable
     */
    public function write(array $fields): string;
}
