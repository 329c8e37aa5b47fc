<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

/**
 * What we have sent lately. A message that comes back just as it was sent is our own doing: routes that set
 * themselves off in this way, through a cable or a network that leads back, may do so only so often a second.
 */
final class Echoes
{
    public const MOST_A_SECOND = 100;
    private const SECOND = 1_000_000_000;

    /** Messages that are remembered; of more, the oldest is forgotten. */
    private const MOST = 256;

    /** @var array<string, int> when it was sent last, by its bytes; the oldest first */
    private array $sentAt = [];

    /** @var array<string, array{int, int}> the second, and how often in it, by route */
    private array $firings = [];

    public function sent(string $bytes, int $now): void
    {
        unset($this->sentAt[$bytes]);
        $this->sentAt[$bytes] = $now;
        if (\count($this->sentAt) > self::MOST) {
            unset($this->sentAt[array_key_first($this->sentAt)]);
        }
    }

    public function isOurs(string $bytes, int $now): bool
    {
        $at = $this->sentAt[$bytes] ?? null;

        return $at !== null && $now - $at < self::SECOND;
    }

    /** How often a route has set itself off in this second, this time included. */
    public function count(string $routeId, int $now): int
    {
        $second = intdiv($now, self::SECOND);
        [$counted, $times] = $this->firings[$routeId] ?? [$second, 0];
        $times = $counted === $second ? $times + 1 : 1;
        $this->firings[$routeId] = [$second, $times];

        return $times;
    }

    /** @param array<string, mixed> $routes by id: of all others nothing is kept */
    public function keep(array $routes): void
    {
        $this->firings = array_intersect_key($this->firings, $routes);
    }
}
