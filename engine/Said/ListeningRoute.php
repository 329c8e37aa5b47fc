<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** A route that takes it. */
final readonly class ListeningRoute extends Said
{
    public function __construct(public string $id, public string $name, public bool $enabled)
    {
    }
}
