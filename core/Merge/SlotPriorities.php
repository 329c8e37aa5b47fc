<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

/**
 * Priorities of single slots: the highest that any source gives a slot has it;
 * 0 says that a source does not send this slot at all. Start code 0xDD, in
 * common use (from memory).
 */
final class SlotPriorities
{
    public const START_CODE = 0xDD;

    /** A source that no longer sends them is ranked as a whole again after this time, as one that is silent is lost. */
    public const LOST_NANOS = 2_500_000_000;

    /**
     * @param int $slot 0 to 511; of a wide parameter the coarsest
     *
     * @return int|null null for a slot that it does not send
     */
    public static function of(Source $source, int $slot): ?int
    {
        if ($source->slotPriorities === '') {
            return $source->priority;
        }
        $priority = \ord($source->slotPriorities[$slot]);

        return $priority === 0 ? null : $priority;
    }
}
