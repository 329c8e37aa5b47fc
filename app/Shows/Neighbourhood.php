<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Edit\Entry;
use NimbleJunction\Core\Show\Show as ShowDocument;

/**
 * The parts of a draft that have to do with some of them: those that name these, and those that they name. A show made of
 * them alone says of these parts what the whole show would say.
 */
final class Neighbourhood
{
    /** More ids than this are not searched for one by one. */
    private const MOST_SEARCHED = 24;

    /** Of these only whether they are there matters to others. */
    private const ONLY_THERE = ['routes', 'copies'];

    /** @var array<string, array<string, true>> ids by list */
    private array $members = [];

    /** Whether there was too much to look for: then the whole show is the neighbourhood. */
    public bool $isTooLarge = false;

    public function __construct(private readonly Draft $draft)
    {
    }

    /** @param list<string> $ids */
    public function add(string $list, array $ids): void
    {
        foreach ($ids as $id) {
            $this->members[$list][$id] = true;
        }
    }

    /** Takes in those that name a part whose change matters to them. */
    public function addWhoNames(string $list, string ...$ids): void
    {
        if (\count($ids) > self::MOST_SEARCHED) {
            $this->isTooLarge = true;

            return;
        }
        foreach (array_keys(ShowDocument::LISTS) as $in) {
            foreach ($ids as $id) {
                $this->add($in, $this->whoNames($in, $id));
            }
        }
    }

    /** Takes in what its members name, and what fixtures among these name again. */
    public function addWhatIsNamed(): void
    {
        $this->addNamedBy($this->members);
        $fixtures = array_intersect_key($this->members, ['fixtures' => true]);
        $this->addNamedBy($fixtures);
    }

    /** @return list<string> */
    public function ids(string $list): array
    {
        return array_map(strval(...), array_keys($this->members[$list] ?? []));
    }

    /** Whether others care about more than that it is there. */
    public static function matters(string $list, ?Entry $was, ?Entry $is): bool
    {
        return $was !== null && ($is === null || ! \in_array($list, self::ONLY_THERE, true));
    }

    /** @return array<string, mixed> a show document of its members */
    public function document(): array
    {
        $document = [
            'format' => ShowDocument::FORMAT,
            'version' => ShowDocument::VERSION,
            'name' => $this->draft->amendment()->settings['name']['is'] ?? $this->draft->setting('name'),
            'middleC' => $this->draft->amendment()->settings['middleC']['is'] ?? $this->draft->setting('middleC'),
        ];
        foreach (array_keys(ShowDocument::LISTS) as $list) {
            $ids = $this->ids($list);
            $this->draft->read($list, $ids);
            $entries = array_filter(array_map(fn(string $id): ?Entry => $this->draft->entry($list, $id), $ids));
            usort($entries, static fn(Entry $a, Entry $b): int => [$a->place, $a->part['id'] ?? ''] <=> [$b->place, $b->part['id'] ?? '']);
            $document[$list] = array_map(static fn(Entry $entry): array => $entry->part, $entries);
        }

        return $document;
    }

    /** @return list<string> ids of the parts of a list that name this id: as a word of its own, or in the name of a point */
    private function whoNames(string $list, string $id): array
    {
        $found = $this->draft->rows($list)->where(static function ($query) use ($id): void {
            foreach (["\"{$id}\"", ":{$id}/", ":{$id}\""] as $form) {
                $query->orWhereRaw('instr(definition, ?) > 0', [$form]);
            }
        })->pluck('key')->all();

        return array_map(strval(...), $found);
    }

    /** @param array<string, array<string, true>> $members */
    private function addNamedBy(array $members): void
    {
        $words = [];
        foreach ($members as $list => $ids) {
            $this->draft->read($list, array_map(strval(...), array_keys($ids)));
            foreach (array_keys($ids) as $id) {
                self::collect($this->draft->part($list, (string) $id) ?? [], $words);
            }
        }
        $words = array_map(strval(...), array_keys($words));
        foreach (array_keys(ShowDocument::LISTS) as $list) {
            foreach (array_chunk($words, 500) as $some) {
                $this->add($list, array_map(strval(...), $this->draft->rows($list)->whereIn('key', $some)->pluck('key')->all()));
            }
            $this->add($list, array_values(array_intersect($this->draft->draftedIds($list), $words)));
        }
    }

    /**
     * @param array<mixed> $part
     * @param array<string, true> $words ids that it may name
     */
    private static function collect(array $part, array &$words): void
    {
        foreach ($part as $value) {
            if (\is_array($value)) {
                self::collect($value, $words);
            } elseif (\is_string($value)) {
                $words[preg_match('#^[a-z]+:([a-z0-9-]+)(/|$)#D', $value, $found) === 1 ? $found[1] : $value] = true;
            }
        }
    }
}
