<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Rehearsal;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Show\ShowRefused;

/** Reads a script, one JSON object a line, strictly: what is not known is refused with its line, never passed over. */
final class ScriptReader
{
    /** A new kind of move is a class of its own, named here. */
    public const KINDS = [
        Arrival::class,
        HandHold::class,
        NewShow::class,
        Restart::class,
        ClockSet::class,
        PointSet::class,
        PointPress::class,
    ];
    private const LONGEST_SECONDS = 1_000_000.0;

    /**
     * @return list<array{float, Move}> seconds and what happens then, in the order of time
     *
     * @throws ShowRefused with paths like "/7/hex": the line, counted from 1, and the field
     */
    public static function read(string $lines, Stage $stage): array
    {
        /** @var \ArrayObject<int, Fault> $faults */
        $faults = new \ArrayObject();
        $moves = [];
        $first = $stage->show;
        $last = 0.0;
        foreach (explode("\n", $lines) as $i => $line) {
            if (trim($line) === '') {
                continue;
            }
            $number = $i + 1;
            $object = json_decode($line, true, 64);
            if (! \is_array($object) || ($object !== [] && array_is_list($object))) {
                $faults[] = new Fault(
                    "/{$number}",
                    'it is no JSON object',
                    'Each line is one object, like {"at": 1.5, "port": "house-desk", "hex": "…"}.',
                );

                continue;
            }
            $fields = new Fields($object, "/{$number}", $faults);
            $at = $fields->within('at', 0.0, self::LONGEST_SECONDS, $last);
            if ($at < $last) {
                $fields->fault('at', "it is {$at}, and the line before is at {$last}", 'Lines stand in the order of time.');
            }
            $last = max($last, $at);
            $move = self::move($fields, $stage);
            if ($move !== null) {
                $moves[] = [$at, $move];
                $fields->close();
            }
        }
        $stage->show = $first;
        $found = array_values($faults->getArrayCopy());
        if ($found !== []) {
            throw ShowRefused::because($found);
        }

        return $moves;
    }

    private static function move(Fields $fields, Stage $stage): ?Move
    {
        foreach (self::KINDS as $kind) {
            if ($fields->has($kind::field())) {
                return $kind::read($fields, $stage);
            }
        }
        $known = implode(', ', array_map(static fn(string $kind): string => $kind::field(), self::KINDS));
        $fields->fault('', 'it says nothing that is known here', "A line has one of: {$known}.");

        return null;
    }
}
