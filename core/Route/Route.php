<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** Trigger, conditions, steps, actions: a route as it runs. Nothing in it changes. */
final readonly class Route
{
    /**
     * @param list<Trigger> $triggers any of them
     * @param list<Condition> $conditions all of them
     * @param list<Step> $steps one after the other
     * @param list<Action> $actions one after the other
     */
    public function __construct(
        public string $id,
        public string $name,
        public bool $enabled,
        public array $triggers,
        public array $conditions,
        public array $steps,
        public array $actions,
    ) {
    }

    /** What it is called as an owner of what it gives. */
    public function owner(): string
    {
        return "route {$this->id}";
    }
}
