<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Surfaces;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Engine\LiveLink\Client;

/** Which hands are on which controls: whoever goes lets go of them, and nobody touches faster than hands can. */
final class Touching
{
    /** Ten fingers at 60 pictures a second, and some more. Our own choice. */
    private const MOST_A_SECOND = 1000;

    /** @var \WeakMap<Client, array<string, array{Reference, float, Act}>> what springs back, and where to, by point */
    private \WeakMap $held;

    /** @var \WeakMap<Client, array{int, int}> the second, and how many touches in it */
    private \WeakMap $counts;

    /** @var \WeakMap<Client, int> nanoseconds */
    private \WeakMap $lastAt;

    public function __construct()
    {
        $this->held = new \WeakMap();
        $this->counts = new \WeakMap();
        $this->lastAt = new \WeakMap();
    }

    /** Whether it may touch something once more. */
    public function mayTouch(Client $client, int $now): bool
    {
        $second = intdiv($now, 1_000_000_000);
        [$of, $count] = $this->counts[$client] ?? [$second, 0];
        $count = $of === $second ? $count + 1 : 1;
        $this->counts[$client] = [$second, $count];
        $this->lastAt[$client] = $now;

        return $count <= self::MOST_A_SECOND;
    }

    /** A control is where it springs back from, or back again. */
    public function holds(Client $client, Reference $point, float $value, float $rest, Act $act): void
    {
        $held = $this->held[$client] ?? [];
        unset($held[$point->text()]);
        $this->held[$client] = $value === $rest ? $held : [...$held, $point->text() => [$point, $rest, $act]];
    }

    /** @return list<array{Reference, float, Act}> what has to be let go now, where it goes, and on whose behalf */
    public function gone(Client $client): array
    {
        $held = array_values($this->held[$client] ?? []);
        unset($this->held[$client], $this->counts[$client], $this->lastAt[$client]);

        return $held;
    }

    /** @return int|null when it touched something last, in nanoseconds */
    public function lastAt(Client $client): ?int
    {
        return $this->lastAt[$client] ?? null;
    }
}
