<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Trace;

/** One step on the way of an event, in words, with the bytes where there are any. */
final readonly class Hop
{
    public function __construct(public Step $step, public string $words, public string $bytes = '', public ?string $routeId = null)
    {
    }
}
