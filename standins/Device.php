<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn;

/** A simulated device that speaks real packets. */
interface Device
{
    public function id(): string;

    public function start(): void;

    public function stop(): void;

    /** @return array<string, mixed> what its panel shows */
    public function state(): array;

    /**
     * A person plays it.
     *
     * @param array<mixed> $values
     *
     * @throws \InvalidArgumentException with words for that person
     */
    public function play(string $control, array $values): void;
}
