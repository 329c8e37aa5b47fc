<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\Readings;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Trace\Way;

/** A value on its way through a route: when it is, what its parts have in mind, and what else is known. */
final class Passing
{
    private const NANOS = 1_000_000_000;

    private string $part = '';
    private ?Mind $mind = null;

    /** @var list<array{float, int}> values that go on from here later, and when */
    private array $released = [];

    /**
     * @param int $now nanoseconds of the junction's clock
     * @param int $source which of the route's triggers it came by, from 0
     */
    public function __construct(
        public readonly int $now,
        public readonly Event $event,
        private readonly Route $route,
        private readonly Minds $minds,
        private readonly Readings $readings,
        public readonly int $source = 0,
        private readonly ?Known $known = null,
        public readonly Way $way = new Way(),
    ) {
    }

    /** It is at another part of the route. */
    public function at(string $part): self
    {
        $this->part = $part;
        $this->mind = null;
        $this->released = [];

        return $this;
    }

    /** What the part that it is at has in mind. */
    public function mind(): Mind
    {
        return $this->mind ??= $this->minds->of($this->route, $this->part);
    }

    /** When the part that it is at wants to go on by itself; null where it has nothing in mind. */
    public function wakeAt(): ?int
    {
        return $this->mind?->wakeAt;
    }

    public function read(Reference $point): int|float|string|null
    {
        return $this->readings->read($point);
    }

    public function describe(Reference $point): ?Point
    {
        return $this->readings->describe($point);
    }

    /** @return float|null how long ago a route has acted, in seconds; null where it never has */
    public function sinceFired(string $routeId): ?float
    {
        $at = $this->known?->firedAt($routeId);

        return $at === null ? null : ($this->now - $at) / self::NANOS;
    }

    /** @return int|null what the clock of the day shows; null where nobody has said */
    public function secondOfDay(): ?int
    {
        return $this->known?->secondOfDay($this->now);
    }

    /** @return float|null how long ago something was noted, in seconds; null where it was not */
    public function since(string $name): ?float
    {
        $time = $this->mind()->times[$name] ?? null;

        return $time === null ? null : ($this->now - $time) / self::NANOS;
    }

    /** Notes that it is now. */
    public function note(string $name): void
    {
        $this->mind()->times[$name] = $this->now;
    }

    /** The step is asked to go on by itself in so many seconds. */
    public function wakeIn(float $seconds): void
    {
        $this->mind()->wakeAt = $this->now + (int) round($seconds * self::NANOS);
    }

    /** The same, but not later than it was asked to already: values that come fast put nothing off. */
    public function wakeWithin(float $seconds): void
    {
        $before = $this->mind()->wakeAt;
        $this->wakeIn($seconds);
        $this->mind()->wakeAt = min($before, $this->mind()->wakeAt);
    }

    public function rest(): void
    {
        $this->mind()->wakeAt = \PHP_INT_MAX;
    }

    /** A value goes on after this step in so many seconds. */
    public function release(float $value, float $seconds): void
    {
        $this->released[] = [$value, $this->now + (int) round($seconds * self::NANOS)];
    }

    /** @return list<array{float, int}> */
    public function released(): array
    {
        return $this->released;
    }
}
