<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Route\Route;

/**
 * Two routes that keep each other going through programs outside: what one sends comes back by another address, and the
 * other sends it on. A hand changes values; here the same ones go round and round, one route after the other.
 */
final class Rounds
{
    /** What comes back within this time is taken to be the same value. Our own choice. */
    private const WITHIN_NANOS = 150_000_000;

    /** So often it goes round before it is called so. Our own choice. */
    private const MANY = 8;

    /** It is said as long as it has gone round within this time. */
    private const SAID_NANOS = 10_000_000_000;

    /** @var array{string, int}|null route that acted last, and when */
    private ?array $last = null;

    /** @var array<string, string> bytes that each has sent last, by route */
    private array $values = [];

    /** Acts in a row that only go to and fro between two. */
    private int $row = 0;

    /** The one before the last. */
    private string $before = '';

    /** @var array<string, array{string, int}> with whom each goes round, and when it last did, by route */
    private array $partners = [];

    /**
     * A route sends something because of a message that came.
     *
     * @return string|null id of the other one, at the moment when it is found that they go round
     */
    public function sent(string $routeId, string $bytes, int $now): ?string
    {
        [$other, $at] = $this->last ?? [$routeId, $now];
        if ($this->last === [$routeId, $now]) {
            // Another message of the same act.
            return null;
        }
        $isSame = ($this->values[$routeId] ?? null) === $bytes;
        $this->values[$routeId] = $bytes;
        $isNext = $other !== $routeId
            && $now - $at <= self::WITHIN_NANOS
            && $isSame
            && ($this->row < 2 || $this->before === $routeId);
        $this->row = $isNext ? $this->row + 1 : 0;
        $this->before = $other;
        $this->last = [$routeId, $now];
        if ($this->row < 2 * self::MANY) {
            return null;
        }
        $this->partners[$routeId] = [$other, $now];
        $this->partners[$other] = [$routeId, $now];

        return $this->row === 2 * self::MANY ? $other : null;
    }

    /** @return string|null id of the route that one goes round with now */
    public function partner(string $routeId, int $now): ?string
    {
        [$partner, $at] = $this->partners[$routeId] ?? [null, 0];

        return $now - $at <= self::SAID_NANOS ? $partner : null;
    }

    /** @param array<string, Route> $routes by id: of all others nothing is kept */
    public function keep(array $routes): void
    {
        $this->values = array_intersect_key($this->values, $routes);
        $this->partners = array_filter(
            array_intersect_key($this->partners, $routes),
            static fn(array $one): bool => isset($routes[$one[0]]),
        );
    }
}
