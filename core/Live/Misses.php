<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Signal\Message;

/** Why did nothing happen? What came within the last minute and did nothing, and what routes nearly took. */
final class Misses
{
    public const LATELY_NANOS = 60_000_000_000;

    /** So many different messages, and so many routes, are remembered. Our own limit. */
    private const MOST = 400;

    /** @var array<string, Unanswered> by port and address, the one that came last at the end */
    private array $unanswered = [];

    /** @var array<string, NearlyTaken> by route, the latest reason of each, the one that came last at the end */
    private array $near = [];

    /** A message came, and no route acted on it. */
    public function nothing(string $portId, Message $message, string $from, int $now): void
    {
        $key = "{$portId} {$message->address()}";
        $known = $this->unanswered[$key] ?? null;
        unset($this->unanswered[$key]);
        $isOld = $known === null || $now - $known->at > self::LATELY_NANOS;
        $this->unanswered[$key] = new Unanswered($portId, $message, $from, $isOld ? 1 : $known->count + 1, $now);
        while (
            ($first = reset($this->unanswered)) !== false
            && (\count($this->unanswered) > self::MOST || $now - $first->at > self::LATELY_NANOS)
        ) {
            unset($this->unanswered[array_key_first($this->unanswered)]);
        }
    }

    public function near(Route $route, Event $event, Missed $missed, int $now): void
    {
        $known = $this->near[$route->id] ?? null;
        unset($this->near[$route->id]);
        $isOld = $known === null || $now - $known->at > self::LATELY_NANOS;
        $this->near[$route->id] = new NearlyTaken($route, $event, $missed, $isOld ? 1 : $known->count + 1, $now);
        while (
            ($first = reset($this->near)) !== false
            && (\count($this->near) > self::MOST || $now - $first->at > self::LATELY_NANOS)
        ) {
            unset($this->near[array_key_first($this->near)]);
        }
    }

    /** A route has acted on something: what came is answered. */
    public function answered(string $portId, Message $message): void
    {
        unset($this->unanswered["{$portId} {$message->address()}"]);
    }

    /** @param array<string, Route> $routes by id: what others nearly took, and those that were otherwise then, is forgotten */
    public function keep(array $routes): void
    {
        $this->near = array_filter(
            $this->near,
            static fn(NearlyTaken $one): bool => ($routes[$one->route->id] ?? null) === $one->route,
        );
    }

    /** @return list<Unanswered> of the last minute, the latest first */
    public function unanswered(int $now): array
    {
        $lately = array_filter($this->unanswered, static fn(Unanswered $one): bool => $now - $one->at <= self::LATELY_NANOS);

        return array_reverse(array_values($lately));
    }

    /** @return array<string, NearlyTaken> of the last minute, by route, the latest first */
    public function nearly(int $now): array
    {
        return array_reverse(
            array_filter($this->near, static fn(NearlyTaken $one): bool => $now - $one->at <= self::LATELY_NANOS),
            true,
        );
    }
}
