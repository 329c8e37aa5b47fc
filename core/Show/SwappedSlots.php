<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Signal\Frame;

/**
 * Version 1 exchanged slots on the way out, after everything else: its curves, routes and copies spoke of the slots
 * before. Version 2 exchanges them as they come in, and speaks of the slots of the output. This makes one of the other.
 * What is not of the form that it should be stays as it is, for the reader to say so.
 */
final class SwappedSlots
{
    /** @var array<string, list<array{int, int, int}>> first, with and count, by universe */
    private array $swaps = [];

    /** @param array<mixed> $document */
    private function __construct(array $document)
    {
        foreach (self::objects($document, 'universes') as $universe) {
            $swaps = [];
            foreach (self::objects($universe, 'swaps') as $swap) {
                $runs = [$swap['first'] ?? null, $swap['with'] ?? null, $swap['count'] ?? 1];
                if (array_filter($runs, \is_int(...)) === $runs) {
                    $swaps[] = $runs;
                }
            }
            if ($swaps !== [] && \is_string($universe['id'] ?? null)) {
                $this->swaps[$universe['id']] = $swaps;
            }
        }
    }

    /**
     * @param array<mixed> $document with the names of version 2, and the slots of version 1
     *
     * @return array<mixed>
     */
    public static function upgraded(array $document): array
    {
        $slots = new self($document);
        if ($slots->swaps === []) {
            return $document;
        }
        foreach (['universes' => $slots->universe(...), 'routes' => $slots->route(...)] as $list => $upgrade) {
            $parts = $document[$list] ?? [];
            if (\is_array($parts) && array_is_list($parts)) {
                $document[$list] = array_map(static fn(mixed $part): mixed => \is_array($part) ? $upgrade($part) : $part, $parts);
            }
        }
        $copies = [];
        foreach (self::objects($document, 'copies') as $copy) {
            array_push($copies, ...$slots->copy($copy));
        }
        if ($copies !== []) {
            $document['copies'] = $copies;
        }

        return $document;
    }

    /**
     * @param array<mixed> $universe
     *
     * @return array<mixed>
     */
    private function universe(array $universe): array
    {
        $id = $universe['id'] ?? null;
        if (! \is_string($id) || ! isset($this->swaps[$id])) {
            return $universe;
        }
        foreach (['shapes', 'latest', 'look'] as $list) {
            $runs = [];
            foreach (self::objects($universe, $list) as $run) {
                array_push($runs, ...$this->runs($id, $run));
            }
            if ($runs !== []) {
                $universe[$list] = $runs;
            }
        }

        return $universe;
    }

    /**
     * @param array<mixed> $run of slots, with whatever is said of them
     *
     * @return list<array<mixed>> the same of the slots where they come out, in as many runs as that makes
     */
    private function runs(string $universe, array $run): array
    {
        $first = $run['first'] ?? null;
        $last = $run['last'] ?? $first;
        if (! self::isSlot($first) || ! self::isSlot($last) || $last < $first) {
            return [$run];
        }
        $slots = array_map(fn(int $slot): int => $this->out($universe, $slot), range($first, $last));
        sort($slots);
        $runs = [];
        foreach ($slots as $slot) {
            $before = array_pop($runs);
            $goesOn = $before !== null && $before['last'] === $slot - 1;
            if ($before !== null) {
                $runs[] = $goesOn ? ['last' => $slot] + $before : $before;
            }
            if (! $goesOn) {
                $runs[] = ['first' => $slot, 'last' => $slot] + $run;
            }
        }

        return $runs;
    }

    /**
     * @param array<mixed> $route
     *
     * @return array<mixed>
     */
    private function route(array $route): array
    {
        $to = $route['to'] ?? null;
        $universe = \is_array($to) ? $to['universe'] ?? null : null;
        $slot = \is_array($to) ? $to['slot'] ?? null : null;
        if (\is_array($to) && \is_string($universe) && self::isSlot($slot)) {
            $route['to'] = ['slot' => $this->out($universe, $slot)] + $to;
        }

        return $route;
    }

    /**
     * @param array<mixed> $copy
     *
     * @return list<array<mixed>> as many as are needed to lay the same slots where they come out
     */
    private function copy(array $copy): array
    {
        $to = \is_array($copy['to'] ?? null) ? $copy['to'] : [];
        $from = \is_array($copy['from'] ?? null) ? $copy['from'] : [];
        $universe = $to['universe'] ?? null;
        $numbers = [
            $from['first'] ?? null,
            $from['count'] ?? 1,
            $to['first'] ?? null,
            $copy['repeat'] ?? 1,
            $copy['limit'] ?? Frame::SLOTS,
        ];
        if (
            ! \is_string($universe)
            || ! isset($this->swaps[$universe])
            || array_filter($numbers, self::isSlot(...)) !== $numbers
        ) {
            return [$copy];
        }
        [$first, $count, $at, $repeat, $limit] = $numbers;
        $sources = [];
        for ($place = 0; $place < $count * $repeat && $at + $place <= $limit; ++$place) {
            $sources[$this->out($universe, $at + $place)] = $first + $place % $count;
        }
        ksort($sources);
        $runs = [];
        foreach ($sources as $target => $source) {
            $end = \count($runs) - 1;
            $goesOn = $end >= 0 && $runs[$end][0] + $runs[$end][2] === $source && $runs[$end][1] + $runs[$end][2] === $target;
            $goesOn ? ++$runs[$end][2] : $runs[] = [$source, $target, 1];
        }
        $copies = [];
        foreach ($runs as $i => [$source, $target, $length]) {
            $own = $i === 0 ? [] : [
                'id' => substr(\is_string($copy['id'] ?? null) ? $copy['id'] : 'copy', 0, 50).'-part-'.($i + 1),
            ];
            $copies[] = [
                ...$copy,
                ...$own,
                'from' => ['first' => $source, 'count' => $length] + $from,
                'to' => ['first' => $target] + $to,
                'repeat' => 1,
                'limit' => Frame::SLOTS,
            ];
        }

        return $copies;
    }

    /** Where a slot came out, after the exchanges of version 1. */
    private function out(string $universe, int $slot): int
    {
        foreach ($this->swaps[$universe] ?? [] as [$first, $with, $count]) {
            if ($slot >= $first && $slot < $first + $count) {
                $slot += $with - $first;
            } elseif ($slot >= $with && $slot < $with + $count) {
                $slot += $first - $with;
            }
        }

        return $slot;
    }

    /** @phpstan-assert-if-true int $value */
    private static function isSlot(mixed $value): bool
    {
        return \is_int($value) && $value >= 1 && $value <= Frame::SLOTS;
    }

    /**
     * @param array<mixed> $of
     *
     * @return array<int, array<mixed>> by place
     */
    private static function objects(array $of, string $list): array
    {
        $all = $of[$list] ?? [];

        return \is_array($all) && array_is_list($all) ? array_filter($all, \is_array(...)) : [];
    }
}
