<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Edit;

/** A field that two people have changed, each in another way. */
final readonly class Clash
{
    /**
     * @param string $field path within the part, like "receive/port"; '' for the part as a whole
     * @param mixed $was what both had seen; null where it was not there
     * @param mixed $theirs what is stored now
     * @param mixed $mine what is asked for
     */
    public function __construct(public string $field, public mixed $was, public mixed $theirs, public mixed $mine)
    {
    }
}
