<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patching;

use NimbleJunction\Core\Document\Asked;
use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Show\ShowRefused;

/** All that can be done to the patch in one go: a new one is a class, named here. */
final class Deeds
{
    public const ALL = [Row::class, Move::class, Swap::class, Renumber::class, CloneFixtures::class];

    /**
     * @param array<mixed> $asked "kind" and its fields
     *
     * @throws ShowRefused
     */
    public static function read(array $asked): Deed
    {
        $read = Asked::of(self::ALL, $asked);
        if (! $read->kind instanceof Deed) {
            throw ShowRefused::because(
                $read->faults === [] ? [new Fault('', 'it says nothing to do', 'Give a kind.')] : $read->faults,
            );
        }

        return $read->kind;
    }
}
