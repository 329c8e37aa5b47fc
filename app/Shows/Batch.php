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
        $areIds = \is_array($ids) && array_filter($ids, is_string(...)) === $ids;
        if (! $areIds || ($ids === [] && ! isset($asked['add']))) {
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

    /** @throws ShowRefused */
    public function apply(Draft $draft): void
    {
        $draft->read($this->list, $this->ids);
        $gone = array_filter($this->ids, fn(string $id): bool => $draft->entry($this->list, $id) === null);
        if ($gone !== []) {
            throw self::refused(
                'ids',
                'there is no "'.implode('", "', $gone)."\" among the {$this->list}",
                'Somebody may have deleted it meanwhile: look at the list again.',
            );
        }
        match (true) {
            isset($this->asked['add']) => $this->add($draft),
            isset($this->asked['remove']) => $this->remove($draft),
            isset($this->asked['set']) => $this->set($draft),
            default => $this->move($draft),
        };
    }

    private function remove(Draft $draft): void
    {
        foreach ($this->ids as $id) {
            $draft->remove($this->list, $id);
        }
    }

    private function add(Draft $draft): void
    {
        $add = $this->asked['add'];
        if (! \is_array($add) || ! array_is_list($add) || array_filter($add, is_array(...)) !== $add) {
            throw self::refused('add', 'it is no list of objects', 'Give a list of parts.');
        }
        $ids = new FreeIds($this->list, $draft->ids($this->list));
        foreach ($add as $one) {
            $id = $ids->forName(\is_string($one['name'] ?? null) ? $one['name'] : '');
            $this->added[] = $id;
            $draft->put($this->list, $id, array_diff_key($one, ['id' => true]));
        }
    }

    private function set(Draft $draft): void
    {
        $set = $this->asked['set'];
        if (! \is_array($set) || $set === [] || array_is_list($set) || isset($set['id'])) {
            throw self::refused(
                'set',
                'it is no object of fields and their values',
                'Give paths like "receive/port"; an id cannot be changed.',
            );
        }
        foreach ($this->ids as $id) {
            $draft->put($this->list, $id, self::withFields($draft->part($this->list, $id) ?? [], $set));
        }
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

    private function move(Draft $draft): void
    {
        $before = $this->asked['before'];
        if (
            ! $draft->move($this->list, $this->ids, \is_string($before) ? $before : null)
            || ($before !== null && ! \is_string($before))
        ) {
            throw self::refused(
                'before',
                'there is no such part to put them before',
                'Give the id of another one, or null for the end.',
            );
        }
    }

    private static function refused(string $where, string $what, string $wayOut): ShowRefused
    {
        return ShowRefused::because([new Fault($where, $what, $wayOut)]);
    }
}
