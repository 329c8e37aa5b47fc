<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Edit;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Document\Reading;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;

/**
 * What an edit has changed, told to somebody who has the show from before it: a page, the engine, a file. In JSON:
 * {"settings": {"name": "…"}, "parts": {"ports": {"desk": {"part": {…}, "before": "node"}, "old": {"part": null}}}}
 */
final readonly class Update
{
    /**
     * @param array<string, mixed> $settings of the show that are otherwise, by name
     * @param array<string, array<string, array{part: array<mixed>|null, before?: string|null}>> $parts by list and id; null
     *        is gone; "before" is said of what is new or has moved: the id of the one behind it, null at the end
     */
    public function __construct(public array $settings, public array $parts)
    {
    }

    /** @param \Closure(string, Entry): (string|null) $behind the id of the part that comes after this one in its list */
    public static function of(Amendment $amendment, \Closure $behind): self
    {
        $parts = [];
        foreach ($amendment->parts as $list => $changes) {
            // From the last to the first: what the others stand before is there then.
            uasort(
                $changes,
                static fn(Change $a, Change $b): int => [
                    $b->is->place ?? 0,
                    $b->is->part['id'] ?? '',
                ] <=> [$a->is->place ?? 0, $a->is->part['id'] ?? ''],
            );
            foreach ($changes as $id => $change) {
                $isPlaced = $change->is !== null && $change->was?->place !== $change->is->place;
                $parts[$list][$id] = [
                    'part' => $change->is?->part,
                    ...($isPlaced ? ['before' => $behind($list, $change->is)] : []),
                ];
            }
        }

        return new self(array_map(static fn(array $one): mixed => $one['is'], $amendment->settings), $parts);
    }

    /** @return array<string, mixed> for JSON */
    public function toArray(): array
    {
        return [
            'settings' => (object) $this->settings,
            'parts' => (object) array_map(static fn(array $list): object => (object) $list, $this->parts),
        ];
    }

    /**
     * @param array<mixed> $told
     *
     * @throws \UnexpectedValueException when it is none
     */
    public static function fromArray(array $told): self
    {
        $settings = $told['settings'] ?? [];
        $parts = $told['parts'] ?? [];
        if (! \is_array($settings) || ! \is_array($parts) || array_diff_key($parts, Show::LISTS) !== []) {
            throw new \UnexpectedValueException('An update has settings, and parts by list.');
        }
        $read = [];
        foreach ($parts as $list => $changes) {
            foreach (\is_array($changes) ? $changes : throw new \UnexpectedValueException("The {$list} are no object.") as $id => $one) {
                $part = \is_array($one) ? $one['part'] ?? null : throw new \UnexpectedValueException("\"{$id}\" is no object.");
                $before = $one['before'] ?? null;
                if (($part !== null && ! \is_array($part)) || ($before !== null && ! \is_string($before))) {
                    throw new \UnexpectedValueException("What becomes of \"{$id}\" is not said.");
                }
                $read[(string) $list][(string) $id] = [
                    'part' => $part,
                    ...(\array_key_exists('before', $one) ? ['before' => $before] : []),
                ];
            }
        }

        return new self(self::named($settings), $read);
    }

    /**
     * The show after it. Whether its parts fit each other was looked at by whoever made the edit.
     *
     * @throws ShowRefused when a part of it cannot be read
     */
    public function show(Show $show): Show
    {
        $lists = [];
        foreach (array_keys(Show::LISTS) as $list) {
            $lists[$list] = $this->list(
                $show->list($list),
                $list,
                fn(string $id, array $part): Part => self::read($list, $id, $part),
            );
        }
        $name = $this->settings['name'] ?? $show->name;
        $middleC = $this->settings['middleC'] ?? $show->middleC;

        return new Show(\is_string($name) ? $name : $show->name, \is_int($middleC) ? $middleC : $show->middleC, $lists);
    }

    /**
     * The document after it.
     *
     * @param array<mixed> $document
     *
     * @return array<mixed>
     */
    public function document(array $document): array
    {
        foreach (array_keys($this->parts) as $list) {
            /** @var array<string, array<mixed>> $parts */
            $parts = array_column(\is_array($document[$list] ?? null) ? $document[$list] : [], null, 'id');
            $document[$list] = array_values($this->list($parts, $list, static fn(string $id, array $part): array => $part));
        }

        return [...$document, ...$this->settings];
    }

    /**
     * @template T
     *
     * @param array<string, T> $parts by id, in their order
     * @param \Closure(string, array<mixed>): T $make of a part as it stands in the document
     *
     * @return array<string, T>
     */
    private function list(array $parts, string $list, \Closure $make): array
    {
        foreach ($this->parts[$list] ?? [] as $id => $one) {
            if ($one['part'] === null) {
                unset($parts[$id]);
                continue;
            }
            $part = $make((string) $id, $one['part']);
            if (! \array_key_exists('before', $one) && isset($parts[$id])) {
                $parts[$id] = $part;
                continue;
            }
            unset($parts[$id]);
            $at = ($one['before'] ?? null) === null
                ? false
                : array_search((string) $one['before'], array_map(strval(...), array_keys($parts)), true);
            $parts = $at === false
                ? $parts + [$id => $part]
                : \array_slice($parts, 0, $at, true) + [$id => $part] + \array_slice($parts, $at, null, true);
        }

        return $parts;
    }

    /** @param array<mixed> $part */
    private static function read(string $list, string $id, array $part): Part
    {
        /** @var \ArrayObject<int, Fault> $faults */
        $faults = new \ArrayObject();
        $fields = new Fields($part, "/{$list}/{$id}", $faults);
        $read = Reading::with(ShowReader::kinds())->part($fields, Show::classOf($list));
        $fields->close();
        $found = array_values($faults->getArrayCopy());
        if ($found !== []) {
            throw ShowRefused::because($found);
        }

        return $read;
    }

    /**
     * @param array<mixed> $settings
     *
     * @return array<string, mixed>
     */
    private static function named(array $settings): array
    {
        $named = [];
        foreach ($settings as $name => $value) {
            $named[(string) $name] = $value;
        }

        return array_intersect_key($named, Contents::SETTINGS);
    }
}
