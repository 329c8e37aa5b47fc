<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn;

/** All simulated devices of one rehearsal. */
final class Rack
{
    /** @var array<string, Device> by id */
    private array $devices = [];

    public function __construct(Device ...$devices)
    {
        foreach ($devices as $device) {
            $this->devices[$device->id()] = $device;
        }
    }

    public function start(): void
    {
        foreach ($this->devices as $device) {
            $device->start();
        }
    }

    public function stop(): void
    {
        foreach ($this->devices as $device) {
            $device->stop();
        }
    }

    /** @return list<array<string, mixed>> */
    public function state(): array
    {
        return array_values(array_map(static fn(Device $device): array => $device->state(), $this->devices));
    }

    /** @param array<mixed> $values */
    public function play(string $device, string $control, array $values): void
    {
        ($this->devices[$device] ?? throw new \InvalidArgumentException(
            "There is no stand-in \"{$device}\".",
        ))->play($control, $values);
    }
}
