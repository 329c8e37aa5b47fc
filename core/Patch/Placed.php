<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

/** A parameter at its slots within a fixture. */
final readonly class Placed
{
    /**
     * @param string $key what points call it: "pan", "cell-3/red"
     * @param string $name for people: "pan", "Cell 3 red"
     * @param list<int> $slots from 1 as the fixture's first one, the coarsest first
     * @param string $path of the parameter in the profile, like "cells/0/parameters/2"; '' where it is virtual
     * @param bool $isVirtual whether its slots are none of the fixture's own, but lie beside them
     */
    public function __construct(
        public string $key,
        public string $name,
        public Parameter $parameter,
        public array $slots,
        public string $path,
        public bool $isVirtual = false,
    ) {
    }

    /** Whether it is a light of its own, which an intensity may scale. */
    public function isLight(): bool
    {
        return $this->parameter->role?->isEmitter() === true && ! $this->parameter->neverDriven;
    }
}
