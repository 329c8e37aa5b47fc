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

    /**
     * @param string $owner who set it
     *
     * @return string why it cannot be let go; '' when what the owner gave is gone, and what others give shows again
     */
    public function letGo(Reference $reference, string $owner, int $now): string;

    /** @return int|float|null what it would be if an owner gave nothing; null where that cannot be said */
    public function without(Reference $reference, string $owner): int|float|null;

    /** @return list<Reference> points that fade by themselves: of a group its members, else the point itself */
    public function members(Reference $reference): array;

    /** @return iterable<Reference> all that it has, for whoever looks for one */
    public function all(): iterable;
}
