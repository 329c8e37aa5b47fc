<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Document\Table;
use NimbleJunction\Core\Show\ShowRefused;

/** One edit of several parts of a list: fields set, parts added, taken out, or put in another place. */
final class Batch
{
    private const KNOWN = ['ids', 'set', 'remove', 'add', 'before'];

    /** @var list<string> */
    private readonly array $ids;

    /** @var list<string> ids of the parts that were added */
    public array $added = [];

    /**
     * @param array<mixed> $asked "ids" of the parts that it is about; then one of "set" (values by path, null for the
     *                            default), "remove": true, "before" (an id that they are put before, null for the
     *                            end); or "add": a list of parts, without ids where these are to be made
     *
     * @throws ShowRefused
     */
    public function __construct(private readonly string $list, private readonly array $asked)
    {
        $unknown = array_diff(array_keys($asked), self::KNOWN);
        $deeds = array_intersect(array_keys($asked), ['set', 'remove', 'add', 'before']);
        if ($unknown !== [] || \count($deeds) !== 1) {
            throw self::refused(
                'the request',
                'it does not say one thing to do',
                'Give "add", or "ids" with "set", "remove" or "before".',
            );
        }
        $ids = $asked['ids'] ?? [];
        if (! \is_array($ids) || array_filter(
            $ids,
            static fn(mixed $id): bool => ! \is_string($id),
        ) !== [] || ($ids === [] && ! isset($asked['add']))) {
            throw self::refused('ids', 'they are no list of ids', 'Give at least one id.');
        }
        $this->ids = array_values(array_unique($ids));
    }

    /** @return list<Subject> the parts that it changes or takes out */
    public function subjects(): array
    {
        return \array_key_exists('before', $this->asked) ? [] : array_map(
            fn(string $id): Subject => Subject::part($this->list, $id),
            $this->ids,
        );
    }

    /** What it does, in the words that undo uses. */
    public function summary(): string
    {
        $count = \count(\is_array($this->asked['add'] ?? null) ? $this->asked['add'] : $this->ids);
        $what = "{$count} ".PartSummary::plural($this->list, $count);

        return match (true) {
            isset($this->asked['add']) => "add {$what}",
            isset($this->asked['remove']) => "delete {$what}",
            isset($this->asked['set']) => "change {$what}: ".implode(', ', array_keys((array) $this->asked['set'])),
            default => "move {$what}",
        };
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     *
     * @throws ShowRefused
     */
    public function apply(array $document): array
    {
        $places = array_flip(array_column($document[$this->list], 'id'));
        $gone = array_diff($this->ids, array_map(strval(...), array_keys($places)));
        if ($gone !== []) {
            throw self::refused('ids', 'there is no "'.implode('", "', $gone)."\" among the {$this->list}", 'Somebody may have deleted it meanwhile: look at the list again.');
        }
        $document[$this->list] = match (true) {
            isset($this->asked['add']) => $this->withAdded($document[$this->list]),
            isset($this->asked['remove']) => array_values(
                array_filter($document[$this->list], fn(array $part): bool => ! \in_array($part['id'], $this->ids, true)),
            ),
            isset($this->asked['set']) => $this->withSet($document[$this->list]),
            default => $this->withMoved($document[$this->list]),
        };

        return $document;
    }

    /**
     * @param list<array<string, mixed>> $parts
     *
     * @return list<array<mixed>>
     */
    private function withAdded(array $parts): array
    {
        $add = $this->asked['add'];
        if (! \is_array($add) || ! array_is_list($add) || array_filter(
            $add,
            static fn(mixed $one): bool => ! \is_array($one),
        ) !== []) {
            throw self::refused('add', 'it is no list of objects', 'Give a list of parts.');
        }
        $ids = new FreeIds($this->list, array_column($parts, 'id'));
        foreach ($add as $one) {
            $id = $ids->forName(\is_string($one['name'] ?? null) ? $one['name'] : '');
            $this->added[] = $id;
            $parts[] = [...['id' => $id], ...array_diff_key($one, ['id' => true])];
        }

        return $parts;
    }

    /**
     * @param list<array<string, mixed>> $parts
     *
     * @return list<array<mixed>>
     */
    private function withSet(array $parts): array
    {
        $set = $this->asked['set'];
        if (! \is_array($set) || $set === [] || array_is_list($set) || isset($set['id'])) {
            throw self::refused(
                'set',
                'it is no object of fields and their values',
                'Give paths like "receive/port"; an id cannot be changed.',
            );
        }
        foreach ($parts as $place => $part) {
            if (\in_array($part['id'], $this->ids, true)) {
                $parts[$place] = self::withFields($part, $set);
            }
        }

        return $parts;
    }

    /**
     * An object that a part does not have is not made for one of its fields: a port that does not receive has no
     * address to receive at.
     *
     * @param array<mixed> $part
     * @param array<mixed> $set values by path
     *
     * @return array<mixed>
     */
    private static function withFields(array $part, array $set): array
    {
        foreach ($set as $path => $value) {
            $names = explode('/', (string) $path);
            $around = \array_slice($names, 0, -1);
            if ($around === [] || Table::at($part, $around) !== null) {
                $part = Table::with($part, $names, $value);
            }
        }

        return $part;
    }

    /**
     * @param list<array<string, mixed>> $parts
     *
     * @return list<array<string, mixed>>
     */
    private function withMoved(array $parts): array
    {
        $isMoved = fn(array $part): bool => \in_array($part['id'], $this->ids, true);
        $moved = array_values(array_filter($parts, $isMoved));
        $others = array_values(array_filter($parts, static fn(array $part): bool => ! $isMoved($part)));
        $before = $this->asked['before'];
        $place = $before === null ? \count($others) : array_search($before, array_column($others, 'id'), true);
        if ($place === false) {
            throw self::refused(
                'before',
                'there is no such part to put them before',
                'Give the id of another one, or null for the end.',
            );
        }
        array_splice($others, $place, 0, $moved);

        return $others;
    }

    private static function refused(string $where, string $what, string $wayOut): ShowRefused
    {
        return ShowRefused::because([new Fault($where, $what, $wayOut)]);
    }
}
