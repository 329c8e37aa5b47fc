<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Edit;

/**
 * Two changes of one part joined: what only one of both has changed is as that one says, field by field; what both
 * have changed is as theirs, and said. Lists within a part are one value each.
 */
final readonly class Reconciled
{
    /** Where the part stands in its list: no field has this name. */
    public const PLACE = '(place)';

    /** @param list<Clash> $clashes */
    private function __construct(public ?Entry $entry, public array $clashes)
    {
    }

    /**
     * @param Entry|null $was what both had seen
     * @param Entry|null $mine what is asked for
     * @param Entry|null $theirs what is there now
     * @param bool $isStrict both having changed the same in the same way is a clash too: whoever takes an edit back must
     *                       not count on what a later one has done, which may be taken back as well
     */
    public static function of(?Entry $was, ?Entry $mine, ?Entry $theirs, bool $isStrict = false): self
    {
        if (Entry::areSame($was, $theirs) || (! $isStrict && Entry::areSame($mine, $theirs))) {
            return new self($mine, []);
        }
        if (Entry::areSame($was, $mine)) {
            return new self($theirs, []);
        }
        if ($was === null || $mine === null || $theirs === null) {
            return new self($theirs, [new Clash('', $was?->part, $theirs?->part, $mine?->part)]);
        }
        $clashes = [];
        $place = self::value($was->place, $mine->place, $theirs->place, self::PLACE, $clashes, $isStrict);
        $part = self::object($was->part, $mine->part, $theirs->part, '', $clashes, $isStrict);

        return new self(new Entry(\is_int($place) ? $place : $theirs->place, FieldOrder::of($part)), $clashes);
    }

    /**
     * @param array<mixed> $was
     * @param array<mixed> $mine
     * @param array<mixed> $theirs
     * @param list<Clash> $clashes
     *
     * @return array<mixed>
     */
    private static function object(array $was, array $mine, array $theirs, string $path, array &$clashes, bool $isStrict): array
    {
        $joined = [];
        foreach (array_keys($was + $mine + $theirs) as $key) {
            $value = self::value(
                $was[$key] ?? null,
                $mine[$key] ?? null,
                $theirs[$key] ?? null,
                "{$path}{$key}",
                $clashes,
                $isStrict,
            );
            if ($value !== null) {
                $joined[$key] = $value;
            }
        }

        return $joined;
    }

    /** @param list<Clash> $clashes */
    private static function value(mixed $was, mixed $mine, mixed $theirs, string $path, array &$clashes, bool $isStrict): mixed
    {
        if ($was === $theirs || (! $isStrict && $mine === $theirs)) {
            return $mine;
        }
        if ($was === $mine) {
            return $theirs;
        }
        if (self::isObject($was) && self::isObject($mine) && self::isObject($theirs)) {
            return self::object($was, $mine, $theirs, "{$path}/", $clashes, $isStrict);
        }
        $clashes[] = new Clash($path, $was, $theirs, $mine);

        return $theirs;
    }

    /** @phpstan-assert-if-true array<mixed> $value */
    private static function isObject(mixed $value): bool
    {
        return \is_array($value) && ($value === [] || ! array_is_list($value));
    }
}
