<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Trace;

/** A route takes an event, and what becomes of its value step by step. */
final readonly class TakenBy implements Fact
{
    public function __construct(private string $route, private string $takes, private ?Way $way = null)
    {
    }

    public function words(Names $names): string
    {
        $way = $this->way?->words() ?? '';

        return "\"{$this->route}\" {$this->takes}".($way === '' ? '' : ": {$way}");
    }
}
