<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Fault;

/**
 * Makes a document of an earlier version one of the version of now: one step a version, for ever. What is
 * not a sound document of its version stays as it is, for the reader to say what is wrong.
 */
final class Upgrades
{
    /** What a list is called that a document of version 1 cannot have yet. */
    private const NOT_YET = ' (version 2)';

    /** What version 2 calls the lists that version 1 had. */
    private const RENAMED = ['ranges' => 'copies'];

    /**
     * @param array<mixed> $document
     *
     * @return array<mixed>
     */
    public static function toNewest(array $document): array
    {
        return ($document['version'] ?? null) === 1 ? self::fromVersion1($document) : $document;
    }

    /**
     * Faults with the paths of the document as it was written.
     *
     * @param list<Fault> $faults
     *
     * @return list<Fault>
     */
    public static function asWritten(array $faults, mixed $version): array
    {
        if ($version !== 1) {
            return $faults;
        }
        $names = array_flip(self::RENAMED);

        return array_map(static function (Fault $fault) use ($names): Fault {
            $parts = explode('/', $fault->path, 3);
            $name = str_replace(self::NOT_YET, '', $parts[1] ?? '');
            $parts[1] = $names[$name] ?? $name;

            return $fault->path === '' ? $fault : new Fault(implode('/', $parts), $fault->problem, $fault->allowed);
        }, $faults);
    }

    /**
     * Version 1 called a copy a range, and exchanged slots on the way out; a route between a message and a slot keeps
     * its short form.
     *
     * @param array<mixed> $document
     *
     * @return array<mixed>
     */
    private static function fromVersion1(array $document): array
    {
        $upgraded = [];
        foreach ($document as $name => $value) {
            $isNew = \in_array(
                $name,
                [
                    'copies',
                    'groups',
                    'values',
                    'pixels',
                    'notes',
                    'offers',
                    'looks',
                    'lists',
                    'masters',
                    'waves',
                    'tempos',
                    'surfaces',
                    'panels',
                    'timelines',
                    'timecodes',
                    'occasions',
                    'desks',
                ],
                true,
            );
            $upgraded[$isNew ? $name.self::NOT_YET : self::RENAMED[$name] ?? $name] = $value;
        }
        $upgraded['version'] = 2;

        return SwappedSlots::upgraded($upgraded);
    }
}
