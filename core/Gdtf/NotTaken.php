<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Gdtf;

/** A file that cannot be taken in: why, and what can be. Nothing has changed because of it. */
final class NotTaken extends \RuntimeException
{
    public function __construct(public readonly string $problem, public readonly string $wayOut)
    {
        parent::__construct("{$problem} {$wayOut}");
    }
}
