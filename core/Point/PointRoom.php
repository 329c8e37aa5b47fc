<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Point;

/**
 * Where points of some kinds live. A room that is added to the registry is known to routes, pages, traces and
 * rehearsals alike.
 */
interface PointRoom
{
    /** @return list<string> the kinds of its references */
    public function kinds(): array;

    public function notice(): Notice;

    /**
     * @return array{string, list<int>} the universe, and its slots from 0, that a point hangs on, the coarsest first;
     * none for others
     */
    public function slots(Reference $reference): array;

    /** @return Point|null null where there is none of this name */
    public function describe(Reference $reference): ?Point;

    /** @return int|float|string|null exact, in the point's own unit; null where it has none now */
    public function read(Reference $reference): int|float|string|null;

    /** @return string why it cannot be set so; '' when it is done */
    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string;

    /** @return string why it cannot be pressed; '' when it is done */
    public function press(Reference $reference, Act $act, int $now): string;

    /** @return iterable<Reference> all that it has, for whoever looks for one */
    public function all(): iterable;
}
