<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Trace;

/** A route takes an event. */
final readonly class TakenBy implements Fact
{
    public function __construct(private string $route, private string $takes)
    {
    }

    public function words(Names $names): string
    {
        return "\"{$this->route}\" {$this->takes}";
    }
}
