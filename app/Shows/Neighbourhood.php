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

    /** The lists whose parts may name a part of a list. */
    private const NAMED_BY = [
        'universes' => [
            'ports', 'routes', 'copies', 'fixtures', 'pixels', 'offers', 'looks',
            'lists', 'masters', 'waves', 'surfaces', 'panels', 'timelines', 'occasions',
        ],
        'ports' => [
            'universes', 'routes', 'offers', 'looks', 'lists', 'tempos',
            'surfaces', 'panels', 'timelines', 'timecodes', 'occasions', 'desks',
        ],
        'routes' => ['routes', 'offers', 'looks', 'lists', 'surfaces', 'timelines', 'occasions'],
        'copies' => ['routes'],
        'profiles' => ['fixtures', 'routes', 'offers', 'looks', 'lists', 'waves', 'surfaces', 'timelines', 'occasions'],
        'fixtures' => [
            'routes', 'groups', 'fixtures', 'pixels', 'offers', 'looks', 'lists',
            'masters', 'waves', 'surfaces', 'panels', 'timelines', 'occasions',
        ],
        'groups' => [
            'routes', 'groups', 'offers', 'looks', 'lists', 'masters',
            'waves', 'surfaces', 'panels', 'timelines', 'occasions',
        ],
        'values' => ['routes', 'offers', 'looks', 'lists', 'surfaces', 'panels', 'timelines', 'occasions'],
        'pixels' => ['routes', 'fixtures', 'pixels', 'offers', 'looks', 'lists', 'surfaces', 'timelines', 'occasions'],
        'notes' => [],
        'offers' => ['routes', 'fixtures', 'pixels', 'offers', 'looks', 'lists', 'surfaces', 'timelines', 'occasions'],
        'looks' => ['routes', 'offers', 'looks', 'lists', 'masters', 'waves', 'surfaces', 'panels', 'timelines', 'occasions'],
        'lists' => ['routes', 'offers', 'looks', 'lists', 'masters', 'surfaces', 'panels', 'timelines', 'occasions'],
        'masters' => ['routes', 'offers', 'looks', 'lists', 'masters', 'waves', 'surfaces', 'panels', 'timelines', 'occasions'],
        'waves' => ['routes', 'offers', 'looks', 'lists', 'waves', 'surfaces', 'timelines', 'occasions'],
        'tempos' => ['routes', 'offers', 'looks', 'lists', 'waves', 'surfaces', 'timelines', 'occasions'],
        'surfaces' => ['routes', 'offers', 'looks', 'lists', 'panels', 'timelines', 'occasions'],
        'panels' => ['routes', 'surfaces', 'offers', 'looks', 'lists', 'timelines', 'occasions'],
        'timelines' => ['routes', 'offers', 'looks', 'lists', 'surfaces', 'panels', 'timelines', 'occasions'],
        'timecodes' => ['routes', 'offers', 'looks', 'lists', 'surfaces', 'timelines', 'occasions'],
        'desks' => ['routes', 'offers', 'looks', 'lists', 'surfaces', 'timelines', 'occasions'],
        'occasions' => ['routes', 'offers', 'looks', 'lists', 'surfaces', 'timelines', 'occasions'],
    ];

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

    /**
     * Takes in those that name a part whose change matters to them.
     *
     * @param list<string> $ids
     * @param list<string>|null $lists of which they may be; null for all
     */
    public function addWhoNames(string $list, array $ids, ?array $lists = null): void
    {
        if (\count($ids) > self::MOST_SEARCHED) {
            $this->isTooLarge = true;

            return;
        }
        foreach ($ids === [] ? [] : array_intersect(self::NAMED_BY[$list], $lists ?? self::NAMED_BY[$list]) as $in) {
            $this->add($in, $this->whoNames($in, $ids));
        }
    }

    /** Takes in what its members name, and what these name again, until all is there. */
    public function addWhatIsNamed(): void
    {
        for ($new = $this->members; $new !== [];) {
            $before = $this->members;
            $this->addNamedBy($new);
            $new = [];
            foreach ($this->members as $list => $ids) {
                $new += array_filter([$list => array_diff_key($ids, $before[$list] ?? [])]);
            }
        }
    }

    /**
     * @param array<mixed> $part
     *
     * @return list<string> all words in it that may be ids of others
     */
    public static function words(array $part): array
    {
        $words = [];
        self::collect($part, $words);

        return array_map(strval(...), array_keys($words));
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
            // What notes mean stands wherever they are shown.
            $ids = $list === 'notes' ? $this->draft->ids($list) : $this->ids($list);
            $this->draft->read($list, $ids);
            $entries = array_filter(array_map(fn(string $id): ?Entry => $this->draft->entry($list, $id), $ids));
            usort(
                $entries,
                static fn(Entry $a, Entry $b): int => [$a->place, $a->part['id'] ?? ''] <=> [$b->place, $b->part['id'] ?? ''],
            );
            $document[$list] = array_map(static fn(Entry $entry): array => $entry->part, $entries);
        }

        return $document;
    }

    /**
     * @param list<string> $ids
     *
     * @return list<string> ids of the parts of a list that name one of these: as a word of its own, or in the name of a point
     */
    private function whoNames(string $list, array $ids): array
    {
        $rows = $this->draft->rows($list)
            ->whereRaw('('.implode(' or ', array_fill(0, \count($ids), 'instr(definition, ?)')).')', $ids)
            ->pluck('definition', 'key')->all();
        $pattern = '#[":](?:'.implode('|', array_map(preg_quote(...), $ids)).')["/]#';

        return array_map(
            strval(...),
            array_keys(array_filter($rows, static fn(string $definition): bool => preg_match($pattern, $definition) === 1)),
        );
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
            $this->add($list, $this->draft->existing($list, $words));
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
                if (preg_match('#^(?:[a-z]+:)?([a-z0-9][a-z0-9-]*)(?:/|$)#D', $value, $found) === 1) {
                    $words[$found[1]] = true;
                }
            }
        }
    }
}
