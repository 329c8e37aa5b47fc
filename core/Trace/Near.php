<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Trace;

/** A route nearly took something: the reason, and what its part would have to say for it to fit. */
final readonly class Near implements Fact
{
    /**
     * @param string $part where it stands in the route, like "when/0"; '' for the route itself
     * @param array<string, mixed> $relax fields with which it would have fitted, null for one that is left out
     */
    public function __construct(private string $route, private string $reason, public string $part = '', public array $relax = [])
    {
    }

    public function words(Names $names): string
    {
        return "\"{$this->route}\" {$this->reason}";
    }
}
