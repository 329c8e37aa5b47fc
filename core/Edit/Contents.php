<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Edit;

use NimbleJunction\Core\Show\Show;

/** What a show document holds: its settings, and its parts by list and id, each with its place. */
final readonly class Contents
{
    /** Settings of a show, and what they are when a document does not say them. */
    public const SETTINGS = ['name' => '', 'middleC' => 4];

    /**
     * @param array<string, mixed> $settings by name
     * @param array<string, array<string, Entry>> $lists entries by list and id
     */
    public function __construct(public array $settings, public array $lists)
    {
    }

    /**
     * @param array<mixed> $document of the newest version, found sound
     * @param self|null $before whose places are kept as far as the order allows
     */
    public static function ofDocument(array $document, ?self $before = null): self
    {
        $lists = [];
        foreach (array_keys(Show::LISTS) as $list) {
            /** @var array<string, array<mixed>> $parts */
            $parts = array_column(\is_array($document[$list] ?? null) ? $document[$list] : [], null, 'id');
            $was = array_map(static fn(Entry $entry): int => $entry->place, $before->lists[$list] ?? []);
            $ids = array_map(strval(...), array_keys($parts));
            $places = Places::keep($ids, $was);
            $lists[$list] = [];
            foreach ($ids as $id) {
                $lists[$list][$id] = new Entry($places[$id], FieldOrder::of($parts[$id]));
            }
        }

        return new self(
            [
                ...self::SETTINGS,
                ...array_filter(array_intersect_key($document, self::SETTINGS), static fn(mixed $value): bool => $value !== null),
            ],
            $lists,
        );
    }

    /** @return array<string, mixed> */
    public function document(): array
    {
        $document = ['format' => Show::FORMAT, 'version' => Show::VERSION, ...$this->settings];
        foreach (array_keys(Show::LISTS) as $list) {
            $entries = $this->lists[$list] ?? [];
            $ids = array_map(strval(...), array_keys($entries));
            usort($ids, static fn(string $a, string $b): int => [$entries[$a]->place, $a] <=> [$entries[$b]->place, $b]);
            $document[$list] = array_map(static fn(string $id): array => $entries[$id]->part, $ids);
        }

        return $document;
    }

    public function entry(string $list, string $id): ?Entry
    {
        return $this->lists[$list][$id] ?? null;
    }

    /** What it is after an amendment that was made for these contents. */
    public function amended(Amendment $amendment): self
    {
        $lists = $this->lists;
        foreach ($amendment->parts as $list => $changes) {
            foreach ($changes as $id => $change) {
                if ($change->is === null) {
                    unset($lists[$list][$id]);
                } else {
                    $lists[$list][$id] = $change->is;
                }
            }
        }

        return new self(
            [...$this->settings, ...array_map(static fn(array $one): mixed => $one['is'], $amendment->settings)],
            $lists,
        );
    }
}
