<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

/** Makes one set of levels out of several, parameter by parameter. All levels are strings of 512 bytes. */
interface Merger
{
    /**
     * A contributor has other levels; called before merge(), and for those that take no part in it too.
     *
     * @param string $before 512 bytes: its levels until now
     */
    public function moved(Contributor $contributor, string $before): void;

    /**
     * It counts as the one that changed slots last, whether they have other levels or not.
     *
     * @param string $mask 512 bytes: 255 in these slots
     */
    public function touched(Contributor $contributor, string $mask): void;

    /**
     * The same for a few slots.
     *
     * @param list<int> $slots 0 to 511; of a wide parameter all
     */
    public function touchedSlots(Contributor $contributor, array $slots): void;

    /**
     * It no longer gives slots: whoever changed them before it has them again.
     *
     * @param string $mask 512 bytes: 255 in these slots
     */
    public function left(Contributor $contributor, string $mask): void;

    public function forget(Contributor $contributor): void;

    /**
     * Who changed a slot after a contributor did.
     *
     * @return list<string> keys; none where no such order decides
     */
    public function after(Contributor $contributor, int $slot): array;

    /**
     * A contributor stands behind those that it stood behind once.
     *
     * @param list<string> $keys what after() gave then; those that are gone are left out
     */
    public function fallBehind(Contributor $contributor, int $slot, array $keys): void;

    /**
     * Who changed each slot last, and who before: what a restart must not forget. Nothing where no such order decides.
     *
     * @return array<string, string> by contributor, 512 bytes: 0 for never, the greatest for last
     */
    public function order(): array;

    /** @param array<string, string> $order as order() gave it */
    public function reorder(array $order): void;

    /** @param list<Contributor> $contributors those that take part, in the order in which they came */
    public function merge(array $contributors): string;

    /**
     * The same for a few slots only: in most frames most slots are as they were.
     *
     * @param string $merged what merge() gave before one of them moved
     * @param list<Contributor> $contributors
     * @param list<int> $slots those that moved, 0 to 511; of a wide parameter all
     */
    public function mergeSlots(string $merged, array $contributors, array $slots): string;

    /**
     * Which contributor gives each slot its level: one byte a slot, the place in the list counted from 1, or 0 for none.
     *
     * @param list<Contributor> $contributors as given to merge()
     */
    public function winners(array $contributors): string;

    /**
     * Why $winner gives this slot its level, in words, to follow the winner's name.
     *
     * @param list<Contributor> $contributors
     */
    public function reason(array $contributors, Contributor $winner, int $slot): string;
}
