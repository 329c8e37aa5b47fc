<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

/** What each slot of a kind of fixture means: its parameters in their order. */
final readonly class Profile
{
    /** @param list<Parameter> $parameters */
    public function __construct(public string $id, public string $name, public array $parameters)
    {
    }

    public function slots(): int
    {
        return array_sum(array_column($this->parameters, 'width'));
    }

    /** @return array<string, array{Parameter, int}> parameter and its offset from the fixture's first slot, by name */
    public function places(): array
    {
        $places = [];
        $offset = 0;
        foreach ($this->parameters as $parameter) {
            $places[$parameter->name] = [$parameter, $offset];
            $offset += $parameter->width;
        }

        return $places;
    }
}
