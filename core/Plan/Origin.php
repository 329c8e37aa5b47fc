<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Show\Show;

/** What a plan was made of: the show as it is written, from which it can be made again with other ports switched on. */
final readonly class Origin
{
    public function __construct(public Show $show, private Compiler $compiler)
    {
    }

    /** @param array<string, bool> $ports by id; all others are as the show says */
    public function switched(array $ports): Plan
    {
        return $this->compiler->compile($this->show, $ports);
    }

    /** @return array<string, bool> by port: whether the show itself says that it is on */
    public function portsOn(): array
    {
        $on = [];
        foreach ($this->show->ports as $id => $port) {
            $on[$id] = $port->enabled;
        }

        return $on;
    }

    /** @return array<string, bool> by route, what is offered included: whether the show itself says that it is on */
    public function routesOn(): array
    {
        $on = [];
        foreach ($this->show->routes as $id => $route) {
            $on[$id] = $route->enabled;
        }
        foreach ($this->show->offered()->routes() as $id => $route) {
            $on[$id] = $route->enabled;
        }

        return $on;
    }
}
