<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Scope;

use NimbleJunction\Core\Point\Reference;

/** Which points people have set, pressed or held lately, for whoever learns where something is to go. */
final class Touches
{
    public const LATELY_NANOS = 60_000_000_000;
    private const MOST = 24;

    /** @var array<string, array{Reference, int, int}> how often, and when last, by reference; the latest at the end */
    private array $touched = [];

    public function touch(Reference $point, int $now): void
    {
        $key = $point->text();
        $count = $this->touched[$key][1] ?? 0;
        unset($this->touched[$key]);
        $this->touched[$key] = [$point, $count + 1, $now];
        if (\count($this->touched) > self::MOST) {
            unset($this->touched[array_key_first($this->touched)]);
        }
    }

    /** @return list<array{Reference, int, int}> of the last minute: how often and when last, the latest first */
    public function lately(int $now): array
    {
        $lately = array_filter($this->touched, static fn(array $one): bool => $now - $one[2] < self::LATELY_NANOS);

        return array_reverse(array_values($lately));
    }
}
