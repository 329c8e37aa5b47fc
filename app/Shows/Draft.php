<?php

declare(strict_types=1);

namespace App\Shows;

use App\Models\Show;
use Illuminate\Database\Query\Builder;
use NimbleJunction\Core\Edit\Amendment;
use NimbleJunction\Core\Edit\Change;
use NimbleJunction\Core\Edit\Contents;
use NimbleJunction\Core\Edit\Entry;
use NimbleJunction\Core\Edit\FieldOrder;
use NimbleJunction\Core\Edit\Places;

/**
 * A show as it would be after an edit. Only the parts that the edit is about are read, so that one of ten thousand costs
 * as little as one of ten.
 */
final class Draft
{
    private const AT_ONCE = 500;

    /** @var array<string, array<string, Entry|null>> what is stored, as far as it was read, by list and id */
    private array $stored = [];

    /** @var array<string, array<string, Entry|null>> what is to be otherwise, by list and id */
    private array $drafted = [];

    /** @var array<string, mixed> settings that are to be otherwise */
    private array $settings = [];

    /** A whole show that somebody brings along is taken as it is: fixtures that share slots in it are shown, and not refused. */
    public bool $isBroughtAlong = false;

    /** @var list<string> what is needed and is not there, in words */
    public array $missing = [];

    public function __construct(public readonly Show $show)
    {
    }

    public function entry(string $list, string $id): ?Entry
    {
        return \array_key_exists($id, $this->drafted[$list] ?? []) ? $this->drafted[$list][$id] : $this->stored($list, $id);
    }

    /** @return array<string, mixed>|null */
    public function part(string $list, string $id): ?array
    {
        return $this->entry($list, $id)?->part;
    }

    /** What is stored, whatever is drafted. */
    public function stored(string $list, string $id): ?Entry
    {
        if (! \array_key_exists($id, $this->stored[$list] ?? [])) {
            $this->read($list, [$id]);
        }

        return $this->stored[$list][$id];
    }

    /**
     * Reads several at once.
     *
     * @param list<string> $ids
     */
    public function read(string $list, array $ids): void
    {
        $missing = array_values(array_diff($ids, array_map(strval(...), array_keys($this->stored[$list] ?? []))));
        foreach (array_chunk($missing, self::AT_ONCE) as $some) {
            $this->stored[$list] = ($this->stored[$list] ?? []) + self::entries($this->rows($list)->whereIn(
                'key',
                $some,
            )) + array_fill_keys($some, null);
        }
    }

    /** @return list<string> ids of a list in their order, as drafted */
    public function ids(string $list): array
    {
        $drafted = $this->drafted[$list] ?? [];
        $places = $this->rows($list)->pluck('position', 'key')->all();
        foreach ($drafted as $id => $entry) {
            if ($entry === null) {
                unset($places[$id]);
            } else {
                $places[$id] = $entry->place;
            }
        }
        $ids = array_map(strval(...), array_keys($places));
        usort($ids, static fn(string $a, string $b): int => [$places[$a], $a] <=> [$places[$b], $b]);

        return $ids;
    }

    /**
     * @param list<string> $words
     *
     * @return list<string> those that are ids of a list, as drafted
     */
    public function existing(string $list, array $words): array
    {
        $ids = array_intersect(array_map(strval(...), array_keys($this->drafted[$list] ?? [])), $words);
        foreach (array_chunk($words, self::AT_ONCE) as $some) {
            array_push($ids, ...array_map(strval(...), $this->rows($list)->whereIn('key', $some)->pluck('key')->all()));
        }

        return array_values(array_unique(array_filter(
            $ids,
            fn(string $id): bool => isset($this->drafted[$list][$id]) || ! \array_key_exists($id, $this->drafted[$list] ?? []),
        )));
    }

    public function count(string $list): int
    {
        $count = $this->rows($list)->count();
        foreach ($this->drafted[$list] ?? [] as $id => $entry) {
            $count += ($entry === null ? 0 : 1) - ($this->stored($list, (string) $id) === null ? 0 : 1);
        }

        return $count;
    }

    /**
     * Puts a part in the place of the one with its id, or at the end of its list.
     *
     * @param array<mixed> $part
     */
    public function put(string $list, string $id, array $part): void
    {
        $this->set(
            $list,
            $id,
            new Entry($this->entry($list, $id)->place ?? $this->placeAtEnd($list), FieldOrder::of([...['id' => $id], ...$part])),
        );
    }

    /** A part that an edit is about: it has to be there. */
    public function need(string $list, string $id): void
    {
        if ($this->entry($list, $id) === null) {
            $this->missing[] = "There is no \"{$id}\" among the {$list}: it may have been deleted on another page.";
        }
    }

    public function remove(string $list, string $id): void
    {
        $this->set($list, $id, null);
    }

    public function set(string $list, string $id, ?Entry $entry): void
    {
        $this->stored($list, $id);
        $this->drafted[$list][$id] = $entry;
    }

    /**
     * Puts parts before another one, in the order that they are in.
     *
     * @param list<string> $ids
     * @param string|null $before null for the end
     *
     * @return bool false when there is no such part to put them before
     */
    public function move(string $list, array $ids, ?string $before): bool
    {
        $all = $this->ids($list);
        $moved = array_values(array_intersect($all, $ids));
        $others = array_values(array_diff($all, $ids));
        $at = $before === null ? \count($others) : array_search($before, $others, true);
        if ($at === false) {
            return false;
        }
        array_splice($others, $at, 0, $moved);
        $this->read($list, $others);
        $was = [];
        foreach ($all as $id) {
            $was[$id] = $this->entry($list, $id)->place ?? 0;
        }
        // Those that are moved get new places, and as long as there is room no other one.
        foreach (Places::keep($others, array_diff_key($was, array_flip($moved))) as $id => $place) {
            $entry = $this->entry($list, (string) $id);
            if ($entry !== null && $entry->place !== $place) {
                $this->set($list, (string) $id, new Entry($place, $entry->part));
            }
        }

        return true;
    }

    public function settle(string $name, mixed $value): void
    {
        $this->settings[$name] = $value ?? Contents::SETTINGS[$name];
    }

    /** @return array<string, mixed> the whole document, as drafted */
    public function document(): array
    {
        return $this->contents()->amended($this->amendment())->document();
    }

    /**
     * All is to be as this document says.
     *
     * @param array<string, mixed> $document of the newest version
     */
    public function become(array $document): void
    {
        $now = $this->contents();
        $this->take(Amendment::between($now, Contents::ofDocument($document, $now)));
    }

    public function take(Amendment $amendment): void
    {
        foreach ($amendment->settings as $name => $one) {
            $this->settings[$name] = $one['is'];
        }
        foreach ($amendment->parts as $list => $changes) {
            $this->read($list, array_map(strval(...), array_keys($changes)));
            foreach ($changes as $id => $change) {
                $this->drafted[$list][$id] = $change->is;
            }
        }
    }

    public function amendment(): Amendment
    {
        $settings = $parts = [];
        foreach ($this->settings as $name => $value) {
            $was = $this->setting($name);
            if ($was !== $value) {
                $settings[$name] = ['was' => $was, 'is' => $value];
            }
        }
        foreach ($this->drafted as $list => $entries) {
            foreach ($entries as $id => $entry) {
                $was = $this->stored($list, (string) $id);
                if (! Entry::areSame($was, $entry)) {
                    $parts[$list][$id] = new Change($was, $entry);
                }
            }
        }

        return new Amendment($settings, $parts);
    }

    public function setting(string $name): mixed
    {
        return $name === 'name' ? $this->show->name : $this->show->middle_c ?? 4;
    }

    /** What is stored, all of it. */
    public function contents(): Contents
    {
        $lists = [];
        foreach (array_keys(\NimbleJunction\Core\Show\Show::LISTS) as $list) {
            $lists[$list] = self::entries($this->rows($list));
        }

        return new Contents(['name' => $this->setting('name'), 'middleC' => $this->setting('middleC')], $lists);
    }

    /** Rows of one list of the show. */
    public function rows(string $list): Builder
    {
        return $this->show->parts()->toBase()->where('kind', $list);
    }

    /** @return array<string, Entry> by id */
    private static function entries(Builder $rows): array
    {
        $entries = [];
        foreach ($rows->get(['key', 'position', 'definition']) as $row) {
            $part = json_decode($row->definition, true);
            $entries[(string) $row->key] = new Entry((int) $row->position, \is_array($part) ? $part : []);
        }

        return $entries;
    }

    private function placeAtEnd(string $list): int
    {
        $places = array_map(static fn(?Entry $entry): int => $entry->place ?? 0, $this->drafted[$list] ?? []);

        return max((int) $this->rows($list)->max('position'), 0, ...array_values($places)) + Places::ROOM;
    }
}
