<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patching;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Kinds;
use NimbleJunction\Core\Document\Reading;
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
        /** @var \ArrayObject<int, Fault> $faults */
        $faults = new \ArrayObject();
        $around = new Fields(['deed' => $asked], '', $faults);
        $deed = (new Kinds(['deed' => self::ALL]))->readOne(
            $around,
            'deed',
            'deed',
            Reading::with(new Kinds(['deed' => self::ALL])),
        );
        $found = array_map(
            static fn(Fault $fault): Fault => new Fault(
                (string) preg_replace('#^/deed#', '', $fault->path),
                $fault->problem,
                $fault->allowed,
            ),
            array_values($faults->getArrayCopy()),
        );
        if ($found !== [] || ! $deed instanceof Deed) {
            throw ShowRefused::because($found === [] ? [new Fault('', 'it says nothing to do', 'Give a kind.')] : $found);
        }

        return $deed;
    }
}
