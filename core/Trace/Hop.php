<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Trace;

/**
 * One step on the way of an event: a fact, or words that were there anyway; with
 * the bytes where there are any, and the other end that they came from or went
 * to ("address", "address:port", a device).
 */
final readonly class Hop
{
    public function __construct(
        private Step $step,
        private string|Fact $what,
        public string $bytes = '',
        private ?string $routeId = null,
        public string $peer = '',
    ) {
    }

    /** What would have made it fit; null where that cannot be said. */
    public function near(): ?Near
    {
        return $this->what instanceof Near && $this->what->relax !== [] ? $this->what : null;
    }

    public function words(Names $names): string
    {
        return $this->what instanceof Fact ? $this->what->words($names) : $this->what;
    }

    public function step(Names $names): Step
    {
        return $this->what instanceof Untaken && $this->what->nearly($names) !== null ? Step::Nearly : $this->step;
    }

    public function routeId(Names $names): ?string
    {
        return $this->what instanceof Untaken ? $this->what->nearly($names) : $this->routeId;
    }
}
